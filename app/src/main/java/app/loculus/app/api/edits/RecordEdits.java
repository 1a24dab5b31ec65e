package app.loculus.app.api.edits;

import app.loculus.core.edit.palette.ApplyPalette;
import app.loculus.core.edit.palette.What;
import app.loculus.core.palette.Joining;
import app.loculus.core.palette.Scope;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.show.Draft;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Palettes: recording, naming, applying. */
public sealed interface RecordEdits extends TypedEdit {

    static Optional<String> named(String name) {
        return Optional.ofNullable(name).map(String::strip).filter(n -> !n.isEmpty());
    }

    /**
     * Records what is touched.
     *
     * @param scope global, per type or per fixture; worked out when absent
     * @param onto merge or replace; refused onto an existing one when absent
     * @param touched whether all that are touched bring something, though others are selected
     * @param with further kinds; @param only attributes, all when empty; @param without attributes left out
     * @param colour keep or new: what becomes of the colour it stands for; worked out when absent
     */
    record RecordPalette(
            String kind,
            Integer number,
            String name,
            String scope,
            String onto,
            boolean closeWheel,
            boolean keepReferences,
            boolean touched,
            List<String> with,
            List<String> only,
            List<String> without,
            String colour)
            implements RecordEdits {
        @Override
        public ShowEdit edit(Here here) {
            What what = new What(
                    TypedEdit.orNone(with).stream().map(Named::kind).collect(Collectors.toSet()),
                    TypedEdit.orNone(only),
                    TypedEdit.orNone(without),
                    closeWheel,
                    keepReferences,
                    touched,
                    intent());
            return new app.loculus.core.edit.palette.RecordPalette(
                    Named.kind(kind),
                    Optional.ofNullable(number),
                    named(name),
                    named(scope).map(RecordPalette::scope),
                    towards(onto),
                    what);
        }

        private Joining.Intent intent() {
            return switch (TypedEdit.orBlank(colour)) {
                case "keep" -> Joining.Intent.KEEP;
                case "new" -> Joining.Intent.NEW;
                default -> Joining.Intent.AS_FITS;
            };
        }

        private static Scope scope(String words) {
            return Arrays.stream(Scope.values())
                    .filter(s -> s.words().equalsIgnoreCase(words))
                    .findFirst()
                    .orElseThrow(() -> Refusal.of("edit.scope", "scope", "There is no scope “" + words + "”."));
        }

        private static app.loculus.core.edit.palette.RecordPalette.Onto towards(String onto) {
            return switch (TypedEdit.orBlank(onto)) {
                case "merge" -> app.loculus.core.edit.palette.RecordPalette.Onto.MERGE;
                case "replace" -> app.loculus.core.edit.palette.RecordPalette.Onto.REPLACE;
                default -> app.loculus.core.edit.palette.RecordPalette.Onto.REFUSE;
            };
        }
    }

    record RenamePalette(String kind, int number, String name) implements RecordEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.palette.RenamePalette(
                            Named.palette(draft, kind, number).id(), TypedEdit.orBlank(name))
                    .on(draft);
        }
    }

    /** Records palettes that are obvious from the patch. @param names kind and name of each; all when absent */
    record RecordStarterPalettes(List<String> names) implements RecordEdits {
        @Override
        public ShowEdit edit(Here here) {
            return new app.loculus.core.edit.starter.RecordStarterPalettes(
                    Optional.ofNullable(names).map(TypedEdit::orNone));
        }
    }

    /**
     * Changes one value within a palette, or takes it out.
     *
     * @param scope global, type, mode or unit; @param of the profile's id or the unit's label
     * @param value absent: it is taken out
     * @param form percent, unit, dmx or name
     */
    record EditEntry(
            String kind, int number, String scope, String of, String mode, String attribute, String value, String form)
            implements RecordEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new app.loculus.core.edit.palette.EditEntry(
                            Named.palette(draft, kind, number).id(),
                            key(draft),
                            new Attribute(TypedEdit.orBlank(attribute)),
                            named(value).map(v -> valued(v, TypedEdit.orBlank(form))))
                    .on(draft);
        }

        private ScopeKey key(Draft draft) {
            return switch (TypedEdit.orBlank(scope)) {
                case "unit" ->
                    new ScopeKey.Unit(Named.units(draft, List.of(TypedEdit.orBlank(of)))
                            .units()
                            .get(0));
                case "mode" -> new ScopeKey.TypeMode(new ProfileId(TypedEdit.orBlank(of)), TypedEdit.orBlank(mode));
                case "type" -> new ScopeKey.Type(new ProfileId(TypedEdit.orBlank(of)));
                default -> new ScopeKey.Global();
            };
        }

        private static AttributeValue valued(String text, String form) {
            if (form.equals("name")) {
                return new AttributeValue.Named(text);
            }
            double number = number(text);
            return switch (form) {
                case "unit" -> new AttributeValue.Physical(number);
                case "dmx" -> new AttributeValue.Dmx(new DmxValue(Math.round(number), 1, false));
                default -> new AttributeValue.Level(Fraction.ofPercent(number));
            };
        }

        private static double number(String text) {
            try {
                return Double.parseDouble(text.replace(',', '.'));
            } catch (NumberFormatException e) {
                throw Refusal.of("edit.value", "value", "“" + text + "” is no number.");
            }
        }
    }

    /** Applies a palette to the selection. @param asValues copy instead of following */
    record Apply(String kind, int number, boolean asValues) implements RecordEdits {
        @Override
        public ShowEdit edit(Here here) {
            return draft -> new ApplyPalette(Named.palette(draft, kind, number).id(), asValues).on(draft);
        }
    }
}
