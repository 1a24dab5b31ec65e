package app.loculus.core.palette;

import app.loculus.core.colour.ColourDifference;
import app.loculus.core.profile.ProfileId;
import java.util.Optional;

/** Units of one type and mode that follow a palette in the same way. */
public record ReachRow(
        ProfileId profile,
        String mode,
        Follows follows,
        int units,
        Optional<ColourDifference> difference,
        String words) {}
