package app.loculus.app.api.edits;

import app.loculus.core.edit.palette.ApplyPalette;
import app.loculus.core.palette.Scope;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Profiles;
import app.loculus.core.show.ShowEdit;
import java.util.Arrays;
import java.util.Optional;

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
     */
    record RecordPalette(String kind, Integer number, String name, String scope, String onto, boolean closeWheel)
            implements RecordEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return new app.loculus.core.edit.palette.RecordPalette(
                    Named.kind(kind),
                    Optional.ofNullable(number),
                    named(name),
                    named(scope).map(RecordPalette::scope),
                    towards(onto),
                    app.loculus.core.edit.palette.What.ALL.closing(closeWheel));
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
        public ShowEdit edit(Profiles library) {
            return draft -> new app.loculus.core.edit.palette.RenamePalette(
                            Named.palette(draft, kind, number).id(), TypedEdit.orBlank(name))
                    .on(draft);
        }
    }

    /** Applies a palette to what is in hand. @param asValues copy instead of following */
    record Apply(String kind, int number, boolean asValues) implements RecordEdits {
        @Override
        public ShowEdit edit(Profiles library) {
            return draft -> new ApplyPalette(Named.palette(draft, kind, number).id(), asValues).on(draft);
        }
    }
}
