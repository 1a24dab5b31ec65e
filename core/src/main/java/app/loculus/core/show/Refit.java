package app.loculus.core.show;

import app.loculus.core.look.LookId;
import app.loculus.core.mark.MarkId;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.Choice;
import app.loculus.core.selection.GroupId;
import app.loculus.core.selection.Selection;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.List;
import java.util.Optional;

/**
 * What becomes of everything that names units, types or palettes when those change. Whoever deletes, changes a type or
 * looks for what leads nowhere says it here; the kinds of parts are walked once for all of them.
 */
public interface Refit {

    /** Whether a unit stays. */
    default boolean keeps(UnitId unit) {
        return true;
    }

    /** Whether a group stays. */
    default boolean keepsGroup(GroupId group) {
        return true;
    }

    /** Whether a palette stays. */
    default boolean keepsPalette(PaletteId palette) {
        return true;
    }

    /** Whether an effect stays. */
    default boolean keepsEffect(EffectId effect) {
        return true;
    }

    /** Whether a look stays. */
    default boolean keepsLook(LookId look) {
        return true;
    }

    /** Whether a mark stays. */
    default boolean keepsMark(MarkId mark) {
        return true;
    }

    /** Who a choice stands for that names a group or a palette that goes. */
    default Selection standing(Choice choice) {
        return Selection.EMPTY;
    }

    /** What becomes of a way to ask: the same without units that go; plain units where it names what goes. */
    default Choice choice(Choice choice) {
        Choice kept = choice.groups().allMatch(this::keepsGroup)
                        && choice.palettes().allMatch(this::keepsPalette)
                        && choice.effects().allMatch(this::keepsEffect)
                ? choice
                : new Choice.Units(standing(choice));
        return kept.refitted(s -> s.keeping(this::keeps));
    }

    /** What becomes of one entry of a palette: itself, others beside it, or nothing. */
    default List<Entry> entry(Palette palette, Entry entry) {
        return entry.scope().ownUnit().map(this::keeps).orElse(true) ? List.of(entry) : List.of();
    }

    /** What becomes of all entries of a palette, before each of them is looked at. */
    default List<Entry> entries(Palette palette, List<Entry> entries) {
        return entries;
    }

    /** What becomes of a unit's working values, before each of them is looked at. */
    default UnitValues values(UnitId unit, UnitValues values) {
        return values;
    }

    /** What becomes of a working value. */
    default Optional<Touched> value(UnitId unit, Attribute attribute, Touched value) {
        return Optional.of(value);
    }
}
