package app.loculus.core.profile;

import java.util.List;

/** A colour, gobo or prism wheel, or a scroller's string; slot 1 is the first. */
public record Wheel(String name, List<WheelSlot> slots) {

    public Wheel {
        slots = List.copyOf(slots);
    }
}
