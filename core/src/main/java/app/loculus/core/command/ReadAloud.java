package app.loculus.core.command;

import app.loculus.core.patch.Address;

/** One entry of paper read aloud. */
public record ReadAloud(int number, Address address) {}
