package app.loculus.core.chart;

import java.util.List;

/**
 * A profile being built.
 *
 * @param weightKg 0 when unknown
 * @param watts 0 when unknown
 * @param beamDegrees full beam angle, 0 when unknown
 * @param lampKelvin colour temperature of the lamp, 0 when unknown
 */
public record ProfileDraft(
        String maker,
        String name,
        double weightKg,
        double watts,
        double beamDegrees,
        double lampKelvin,
        List<DraftMode> modes) {

    public ProfileDraft {
        maker = maker == null ? "" : maker.strip();
        name = name == null ? "" : name.strip();
        modes = modes == null ? List.of() : List.copyOf(modes);
    }

    /** The draft, or one in which everything is still missing. */
    public static ProfileDraft orEmpty(ProfileDraft draft) {
        return draft == null ? new ProfileDraft("", "", 0, 0, 0, 0, List.of()) : draft;
    }
}
