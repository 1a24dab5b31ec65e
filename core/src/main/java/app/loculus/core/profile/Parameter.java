package app.loculus.core.profile;

/**
 * One attribute that can be set on one cell.
 *
 * @param cell 0 for the whole fixture
 * @param channel index of its channel in the mode
 */
public record Parameter(int cell, Attribute attribute, int channel, ChannelFunction function) {}
