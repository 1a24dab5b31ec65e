package app.loculus.core.edit.look;

import app.loculus.core.look.Cue;
import app.loculus.core.look.Look;
import app.loculus.core.look.Submaster;
import app.loculus.core.play.Arrived;
import app.loculus.core.resolve.Layer;
import app.loculus.core.resolve.Scene;
import app.loculus.core.show.Show;
import java.util.List;

/**
 * What the lights would do if nothing but one cue, submaster or look stood: nothing is selected and nothing else runs. What
 * moves stands where it is when the cue has arrived.
 */
public final class LookLight {

    private LookLight() {}

    /** With all that the cue carries on. */
    public static Scene of(Show show, Cue cue) {
        return alone(show, Arrived.at(show.list(cue.list()).orElseThrow(), cue.id(), show.repertoire()));
    }

    /** Full up. */
    public static Scene of(Show show, Submaster submaster) {
        return alone(show, Arrived.at(submaster.id(), show.repertoire()));
    }

    public static Scene of(Show show, Look look) {
        return alone(show, new Layer.Values(Scene.PROGRAMMER, 0, Layer.Merge.LATEST, false, look.values()));
    }

    private static Scene alone(Show show, Layer layer) {
        return show.scene().bare().over(List.of(layer));
    }
}
