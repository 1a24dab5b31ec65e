package app.loculus.core.profile;

import app.loculus.core.colour.WheelMatcher;
import java.util.List;

/**
 * A colour wheel or scroller in front of a lamp.
 *
 * @param function the function of the attribute that goes from slot to slot
 * @param slots those it can stand at
 */
public record WheelSystem(Attribute attribute, ChannelFunction function, List<WheelMatcher.Slot> slots) {}
