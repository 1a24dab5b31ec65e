package app.loculus.core.edit.palette;

import app.loculus.core.palette.Palette;
import app.loculus.core.profile.Kind;
import app.loculus.core.show.Draft;
import app.loculus.core.show.Show;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.value.PaletteId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Puts palettes into other niches of their kind, one behind the other; whichever stand there come to where these were.
 *
 * @param palettes of one kind
 * @param to number of the first
 */
public record MovePalette(List<PaletteId> palettes, int to) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Show show = draft.show();
        List<Palette> moved = palettes.stream()
                .distinct()
                .map(id -> show.palette(id).orElseThrow())
                .toList();
        Map<Palette, Integer> places = places(show, moved);
        places.forEach((palette, number) -> draft.put(palette.numbered(number)));
        places.forEach((palette, number) -> draft.say(
                moved.contains(palette)
                        ? palette + " is number " + number
                        : "“" + palette.name() + "” is number " + number));
    }

    private Map<Palette, Integer> places(Show show, List<Palette> moved) {
        Kind kind = moved.get(0).kind();
        Map<Palette, Integer> places = new LinkedHashMap<>();
        Set<Integer> left = new LinkedHashSet<>();
        List<Palette> inTheWay = new ArrayList<>();
        for (int i = 0; i < moved.size(); i++) {
            places.put(moved.get(i), to + i);
            left.add(moved.get(i).number());
            show.palette(kind, to + i).filter(p -> !moved.contains(p)).ifPresent(inTheWay::add);
        }
        places.values().forEach(left::remove);
        List<Integer> free = left.stream().sorted(Comparator.naturalOrder()).toList();
        for (int i = 0; i < inTheWay.size(); i++) {
            places.put(inTheWay.get(i), free.get(i));
        }
        return places;
    }
}
