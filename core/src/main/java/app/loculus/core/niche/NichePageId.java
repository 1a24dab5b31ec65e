package app.loculus.core.niche;

/** Stays with a page whatever it is called and shows. */
public record NichePageId(int value) {}
