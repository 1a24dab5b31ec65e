package app.loculus.core.edit.palette;

import app.loculus.core.effect.Effect;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.palette.Palette;
import app.loculus.core.show.Show;
import app.loculus.core.unit.Decimal;
import app.loculus.core.unit.DmxValue;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.PaletteId;
import app.loculus.core.value.Use;
import java.util.Optional;

/** Values as people read them. */
public final class ValueWords {

    private ValueWords() {}

    public static String of(Show show, AttributeValue value) {
        return value.as(new AttributeValue.Cases<>() {
            @Override
            public String level(double fraction) {
                return Decimal.text(fraction * 100, 1) + " %";
            }

            @Override
            public String physical(double number) {
                return Decimal.text(number, 2);
            }

            @Override
            public String named(String name) {
                return "“" + name + "”";
            }

            @Override
            public String dmx(DmxValue sent) {
                return sent.value() + (sent.octets() == 1 ? " dmx" : " dmx " + 8 * sent.octets() + " bit");
            }

            @Override
            public String aimed(Aiming.Way way) {
                String turns =
                        way.turns() == 0 ? "" : (way.turns() > 0 ? " +" : " −") + 360 * Math.abs(way.turns()) + "°";
                return (way.over() ? "the other way over" : "the near way") + turns;
            }

            @Override
            public String released() {
                return "released";
            }

            @Override
            public String moved(Use use, Optional<AttributeValue> over) {
                String by = show.effect(use.effect()).map(Effect::toString).orElse("an effect that is gone");
                return by
                        + use.rate().map(r -> " rate " + Decimal.text(r, 2)).orElse("")
                        + use.size().map(s -> " size " + Decimal.text(s, 2)).orElse("")
                        + over.map(o -> " over " + of(show, o)).orElse("");
            }

            @Override
            public String reference(PaletteId palette) {
                return show.palette(palette).map(Palette::toString).orElse("a palette that is gone");
            }
        });
    }
}
