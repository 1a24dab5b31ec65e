package app.loculus.core.profile.facts;

/**
 * What a mode's light source is like, as far as the profile says.
 *
 * @param lampKelvin colour temperature of the lamp
 * @param angleDegrees full beam angle to half the intensity, 0 when unknown
 * @param watts power it draws, 0 when unknown
 * @param lumens light it gives at full, 0 when unknown
 */
public record BeamFacts(double lampKelvin, double angleDegrees, double watts, double lumens) {

    /** The open fixture format's default for a lamp. */
    public static final BeamFacts UNKNOWN = new BeamFacts(6000, 0, 0, 0);

    /** One that nobody says the light of. */
    public BeamFacts(double lampKelvin, double angleDegrees, double watts) {
        this(lampKelvin, angleDegrees, watts, 0);
    }
}
