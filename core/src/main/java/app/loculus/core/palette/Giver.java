package app.loculus.core.palette;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.Profile;
import app.loculus.core.value.ColourAnswer;
import app.loculus.core.value.ColourAnswers;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;

/** Works out what palettes give units, and remembers it for those that are all given the same. */
public final class Giver {

    /** A show refuses circles; while it is being edited one may stand there for a moment. */
    private static final int LONGEST_CHAIN = 32;

    private final GivenMemory memory;
    private final Patch patch;
    private final Shelf shelf;
    private final ColourAnswers answers;

    public Giver(Patch patch, Shelf shelf, ColourAnswers answers) {
        this(patch, shelf, answers, new GivenMemory());
    }

    private Giver(Patch patch, Shelf shelf, ColourAnswers answers, GivenMemory memory) {
        this.patch = patch;
        this.shelf = shelf;
        this.answers = answers;
        this.memory = memory;
    }

    /** The same for another moment of a show, with what of this one still holds. */
    public Giver on(Patch other, Shelf otherShelf) {
        boolean holds = other.profiles() == patch.profiles();
        return new Giver(other, otherShelf, answers, holds ? memory.on(shelf, otherShelf) : new GivenMemory());
    }

    /** How a cell of a fixture shows a colour. */
    public Optional<ColourAnswer> answer(Mode mode, int cell, Chromaticity colour) {
        return answers.answer(mode, cell, colour);
    }

    public Given give(Palette palette, UnitId unit) {
        return give(palette, unit, 0);
    }

    /** Units without entries of their own are all given the same as their kin, worked out once. */
    private Given give(Palette palette, UnitId unit, int depth) {
        Fixture fixture = patch.get(unit.fixture());
        if (palette.perUnit() || !palette.entries(new ScopeKey.Unit(unit)).isEmpty()) {
            // Deeper in a chain it may be cut short.
            return depth > 0
                    ? work(palette, unit, fixture, depth)
                    : memory.own(palette, unit, fixture, () -> work(palette, unit, fixture, depth));
        }
        return memory.kin(palette, unit.cell(), fixture, () -> work(palette, unit, fixture, depth));
    }

    private Given work(Palette palette, UnitId unit, Fixture fixture, int depth) {
        Profile profile = patch.profileOf(fixture);
        Mode mode = profile.mode(fixture.mode());
        List<ScopeKey> scopes = List.of(
                new ScopeKey.Unit(unit),
                new ScopeKey.TypeMode(profile.id(), mode.name()),
                new ScopeKey.Type(profile.id()),
                new ScopeKey.Global());
        Optional<ColourAnswer> answer = palette.intent().flatMap(c -> answers.answer(mode, unit.cell(), c));
        Optional<Aimed> aimed = palette.aim()
                .flatMap(m -> Optional.ofNullable(shelf.marks().get(m)))
                .map(mark -> new Aimed(mark, fixture, mode, unit.cell(), palette.entries(new ScopeKey.Unit(unit))));
        return new Giving(
                        palette,
                        profile,
                        mode,
                        unit.cell(),
                        scopes,
                        answer,
                        aimed,
                        o -> follow(o, unit, depth),
                        patch.profiles())
                .given();
    }

    private Optional<Given> follow(PaletteId other, UnitId unit, int depth) {
        return depth >= LONGEST_CHAIN
                ? Optional.empty()
                : Optional.ofNullable(shelf.palettes().get(other)).map(p -> give(p, unit, depth + 1));
    }
}
