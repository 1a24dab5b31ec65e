package app.loculus.core.profile;

import app.loculus.core.colour.WheelMatcher;
import java.util.List;

/** A colour wheel or scroller in front of a lamp: its attribute and the slots it can stand at. */
public record WheelSystem(Attribute attribute, List<WheelMatcher.Slot> slots) {}
