package app.loculus.app.store;

import app.loculus.core.geometry.Aiming;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.ScopeKey;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.problem.Refusal;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.unit.Fraction;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.Optional;

/** One value of a palette as it lies in its table. */
record EntryRow(
        long showId,
        int paletteId,
        int seq,
        String scope,
        String scopeProfile,
        String scopeMode,
        Integer scopeFixture,
        Integer scopeCell,
        String attribute,
        String valueForm,
        double valueNumber,
        String valueText,
        boolean companion) {

    /** How values lie in a row. */
    private record Form(String name, double number, String text) {}

    private static final AttributeValue.Cases<Form> FORMS = new AttributeValue.Cases<>() {
        @Override
        public Form level(double fraction) {
            return new Form("level", fraction, "");
        }

        @Override
        public Form physical(double value) {
            return new Form("physical", value, "");
        }

        @Override
        public Form named(String name) {
            return new Form("named", 0, name);
        }

        @Override
        public Form dmx(DmxValue value) {
            return new Form("dmx", 0, value.toString());
        }

        @Override
        public Form aimed(Aiming.Way way) {
            return new Form("aimed", way.turns(), way.over() ? "over" : "");
        }

        @Override
        public Form released() {
            return new Form("released", 0, "");
        }

        @Override
        public Form moved(Use use, Optional<AttributeValue> over) {
            throw new IllegalArgumentException("A palette does not move");
        }

        @Override
        public Form reference(PaletteId palette) {
            return new Form("reference", palette.value(), "");
        }
    };

    static EntryRow of(long show, int palette, int seq, Entry e) {
        Form form = e.value().as(FORMS);
        UnitId unit = e.scope().ownUnit().orElse(null);
        return new EntryRow(
                show,
                palette,
                seq,
                scopeName(e.scope()),
                e.scope().ownProfile().map(ProfileId::value).orElse(null),
                e.scope().ownMode().orElse(null),
                unit == null ? null : unit.fixture().value(),
                unit == null ? null : unit.cell(),
                e.attribute().name(),
                form.name(),
                form.number(),
                form.text(),
                e.companion());
    }

    private static String scopeName(ScopeKey scope) {
        return switch (scope.scope()) {
            case GLOBAL -> "global";
            case PER_FIXTURE -> "unit";
            case PER_TYPE -> scope.ownMode().isPresent() ? "mode" : "type";
        };
    }

    Entry entry() {
        return new Entry(scopeKey(), new Attribute(attribute), value(), companion);
    }

    private ScopeKey scopeKey() {
        return switch (scope) {
            case "unit" -> new ScopeKey.Unit(new UnitId(new FixtureId(scopeFixture), scopeCell));
            case "mode" -> new ScopeKey.TypeMode(new ProfileId(scopeProfile), scopeMode);
            case "type" -> new ScopeKey.Type(new ProfileId(scopeProfile));
            case "global" -> new ScopeKey.Global();
            default -> throw Refusal.of("store.scope", "scope", "There is no scope “" + scope + "”.");
        };
    }

    private AttributeValue value() {
        return switch (valueForm) {
            case "level" -> new AttributeValue.Level(Fraction.of(valueNumber));
            case "physical" -> new AttributeValue.Physical(valueNumber);
            case "named" -> new AttributeValue.Named(valueText);
            case "dmx" -> new AttributeValue.Dmx(DmxValue.parse(valueText));
            case "aimed" -> new AttributeValue.Aimed(new Aiming.Way(valueText.equals("over"), (int) valueNumber));
            case "released" -> new AttributeValue.Released();
            case "reference" -> new AttributeValue.Reference(new PaletteId((int) valueNumber));
            default -> throw Refusal.of("store.value", "value", "There is no value form “" + valueForm + "”.");
        };
    }
}
