package app.loculus.core.resolve;

import app.loculus.core.effect.Beats;
import app.loculus.core.palette.Palette;
import app.loculus.core.palette.Shelf;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.programmer.Programmer;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Everything that decides what the lights do. @param layers from the lowest to the highest */
public record Scene(Patch patch, Shelf shelf, List<Layer> layers, ColourAnswers answers) {

    public static final String PROGRAMMER = "programmer";
    public static final String HIGHLIGHT = "highlight";
    public static final String MASTER = "master";

    public Scene {
        layers = List.copyOf(layers);
    }

    public Map<PaletteId, Palette> palettes() {
        return shelf.palettes();
    }

    /** How far everything that moves has turned; where it begins as long as nothing says so. */
    public Beats beats() {
        for (Layer layer : layers) {
            if (layer.beats().isPresent()) {
                return layer.beats().get();
            }
        }
        return Beats.STILL;
    }

    /** A show by itself: its programmer, and highlight above it. */
    public static Scene of(Patch patch, Shelf shelf, Programmer programmer, HighlightLook look, ColourAnswers answers) {
        Set<UnitId> shownOff = programmer.hand().highlight()
                ? new LinkedHashSet<>(programmer.hand().selection().units())
                : Set.of();
        Collection<FixtureId> others = look.rest().isPresent() && !shownOff.isEmpty() ? patch.ids() : List.of();
        return new Scene(
                patch,
                shelf,
                List.of(
                        new Layer.Values(PROGRAMMER, 0, Layer.Merge.LATEST, false, programmer.values()),
                        new Layer.Highlighted(HIGHLIGHT, 0, shownOff, look, others)),
                answers);
    }

    /** The same as it would be if nothing were shown off. */
    public Scene withoutHighlight() {
        return new Scene(
                patch,
                shelf,
                layers.stream().filter(l -> !l.owner().equals(HIGHLIGHT)).toList(),
                answers);
    }

    /** The same without any layers: everything at home. */
    public Scene bare() {
        return new Scene(patch, shelf, List.of(), answers);
    }

    /** The same with further layers below. */
    public Scene over(List<Layer> below) {
        List<Layer> all = new ArrayList<>(below);
        all.addAll(layers);
        return new Scene(patch, shelf, all, answers);
    }

    /**
     * The same while something is played.
     *
     * @param playing what runs
     * @param blind whether working values, and what is shown off, are kept from the lights
     * @param master scales everything, 0 to 1
     */
    public Scene played(Layer playing, boolean blind, double master) {
        List<Layer> all = new ArrayList<>(List.of(playing));
        if (!blind) {
            all.addAll(layers);
        }
        all.add(new Mastered(MASTER, master, patch.ids()));
        return new Scene(patch, shelf, all, answers);
    }

    /** The same with further layers above. */
    public Scene under(List<Layer> above) {
        List<Layer> all = new ArrayList<>(layers);
        all.addAll(above);
        return new Scene(patch, shelf, all, answers);
    }
}
