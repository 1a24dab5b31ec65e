package app.loculus.core.geometry;

import java.util.Optional;

/** Where a fixture is and how it is turned. */
public record Pose(Vector3 place, Rotation rotation) {

    /** Shallower than this a beam does not meet the floor within any stage; sine of the angle below level. */
    private static final double LEVEL = 0.02;

    public static Pose at(double x, double y, double z) {
        return new Pose(new Vector3(x, y, z), Rotation.NONE);
    }

    public Pose movedTo(Vector3 newPlace) {
        return new Pose(newPlace, rotation);
    }

    /**
     * The beam's direction on the stage, length 1.
     *
     * @param panDegrees about the fixture's z axis
     * @param tiltDegrees about its x axis; 0 points along its −z
     */
    public Vector3 beam(double panDegrees, double tiltDegrees) {
        Vector3 down = new Vector3(0, 0, -1);
        return rotation.turn(Rotation.aboutZ(Rotation.aboutX(down, tiltDegrees), panDegrees));
    }

    /** Where the beam meets the floor (z = 0), if it goes down to it. */
    public Optional<Vector3> landing(double panDegrees, double tiltDegrees) {
        Vector3 direction = beam(panDegrees, tiltDegrees);
        if (direction.z() > -LEVEL || place.z() <= 0) {
            return Optional.empty();
        }
        return Optional.of(place.plus(direction.times(-place.z() / direction.z())));
    }
}
