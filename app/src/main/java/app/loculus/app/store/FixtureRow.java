package app.loculus.app.store;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.geometry.Pose;
import app.loculus.core.geometry.Rotation;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.patch.BringUp;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Gel;
import app.loculus.core.patch.Inverted;
import app.loculus.core.patch.PatchedAddress;
import app.loculus.core.profile.ProfileId;
import java.util.List;
import java.util.Optional;

/** A fixture as it lies in its table; its addresses have one of their own. */
record FixtureRow(
        long showId,
        int id,
        int number,
        String name,
        String profileId,
        String mode,
        String position,
        String purpose,
        boolean placed,
        double x,
        double y,
        double z,
        double rx,
        double ry,
        double rz,
        String notes,
        BringUp.Answer answer,
        String answerNote,
        boolean panInverted,
        boolean tiltInverted,
        Double gelX,
        Double gelY,
        Double gelPercent) {

    static FixtureRow of(long show, Fixture f) {
        Pose pose = f.pose().orElse(Pose.at(0, 0, 0));
        Vector3 at = pose.place();
        Rotation turn = pose.rotation();
        return new FixtureRow(
                show,
                f.id().value(),
                f.number(),
                f.name(),
                f.profile().value(),
                f.mode(),
                f.position(),
                f.purpose(),
                f.pose().isPresent(),
                at.x(),
                at.y(),
                at.z(),
                turn.x(),
                turn.y(),
                turn.z(),
                f.notes(),
                f.bringUp().answer(),
                f.bringUp().note(),
                f.inverted().pan(),
                f.inverted().tilt(),
                f.gel().map(g -> g.colour().x()).orElse(null),
                f.gel().map(g -> g.colour().y()).orElse(null),
                f.gel().map(Gel::percent).orElse(null));
    }

    Fixture fixture(List<PatchedAddress> addresses) {
        Optional<Pose> pose =
                placed ? Optional.of(new Pose(new Vector3(x, y, z), new Rotation(rx, ry, rz))) : Optional.empty();
        return new Fixture(
                new FixtureId(id),
                number,
                name,
                new ProfileId(profileId),
                mode,
                addresses,
                pose,
                position,
                purpose,
                notes,
                new BringUp(answer, answerNote),
                new Inverted(panInverted, tiltInverted),
                gelX == null ? Optional.empty() : Optional.of(new Gel(new Chromaticity(gelX, gelY), gelPercent)));
    }
}
