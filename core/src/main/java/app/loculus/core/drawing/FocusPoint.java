package app.loculus.core.drawing;

import app.loculus.core.geometry.Vector3;

/** A focus point of a drawing: a named place that lights are aimed at. */
public record FocusPoint(String identity, String name, Vector3 at) {}
