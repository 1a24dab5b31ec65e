package app.loculus.core.carry;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.ColourDifference;
import app.loculus.core.colour.Tristimulus;
import app.loculus.core.geometry.Aiming;
import app.loculus.core.geometry.Vector3;
import app.loculus.core.palette.Aimed;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.ChannelFunction;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.profile.Mode;
import app.loculus.core.profile.NamedRange;
import app.loculus.core.unit.Decimal;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.Sent;
import app.loculus.core.value.ShownColour;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What two units do, by what their channels send: the one with what it was set to, the other with what stands in its
 * place. Told for what was set, aspect by aspect. However the one was made of the other, it is not asked.
 */
public final class Compared {

    /** Shares of light that nobody tells apart. */
    private static final double LEVEL = 0.005;

    /** Metres and degrees within which a spot and an angle count as the same. */
    private static final double SPOT = 0.05;

    private static final double DEGREES = 0.1;

    /** Relative to the range, for what has no other measure. */
    private static final double SHARE = 0.01;

    /** @param what the aspect, with a capital letter; @param words for a person, may be empty */
    public record Told(String what, Verdict verdict, String words) {

        @Override
        public String toString() {
            return words.isEmpty() ? what + ": " + verdict.words() : what + ": " + words;
        }
    }

    private final Means means;
    private final At was;
    private final At is;
    private final Map<Attribute, AttributeValue> before;
    private final Map<Attribute, AttributeValue> after;
    private final Sent sentBefore;
    private final Sent sentAfter;
    private final List<Told> told = new ArrayList<>();

    /** Whether it is one fixture in another description: there what stands at home has to do the same too. */
    private boolean described;

    private Compared(
            Means means, At was, Map<Attribute, AttributeValue> before, At is, Map<Attribute, AttributeValue> after) {
        this.means = means;
        this.was = was;
        this.is = is;
        this.before = before;
        this.after = after;
        this.sentBefore = sent(was, before);
        this.sentAfter = sent(is, after);
    }

    private static Sent sent(At at, Map<Attribute, AttributeValue> values) {
        Sent sent = Sent.overHome(at.mode(), at.cell(), values);
        sent.masters().forEach(sent::set);
        return sent;
    }

    /**
     * @param before plain values of the unit that was; @param asked which of them are meant and did not only come along
     * @param after plain values of the unit that is
     */
    public static List<Told> of(
            Means means,
            At was,
            Map<Attribute, AttributeValue> before,
            Set<Attribute> asked,
            At is,
            Map<Attribute, AttributeValue> after) {
        return new Compared(means, was, before, is, after).about(asked);
    }

    /** The same for one fixture that is described otherwise. */
    static List<Told> described(
            Means means,
            At was,
            Map<Attribute, AttributeValue> before,
            Set<Attribute> asked,
            At is,
            Map<Attribute, AttributeValue> after) {
        Compared compared = new Compared(means, was, before, is, after);
        compared.described = true;
        return compared.about(asked);
    }

    private List<Told> about(Set<Attribute> asked) {
        boolean colour = false;
        boolean position = asked.contains(Attribute.PAN) && asked.contains(Attribute.TILT);
        for (Attribute attribute : asked) {
            if (attribute.equals(Attribute.DIMMER)) {
                level();
            } else if (attribute.isMix() || attribute.isColourWheel()) {
                colour = true;
            } else if (!position || !attribute.equals(Attribute.PAN) && !attribute.equals(Attribute.TILT)) {
                rest(attribute);
            }
        }
        if (colour) {
            colour();
        }
        if (position) {
            position();
        }
        return told;
    }

    private void tell(String what, Verdict verdict, String words) {
        told.add(new Told(what, verdict, words));
    }

    /** Where a parameter's channel stands. */
    private static Optional<FunctionValue> stands(At at, Attribute attribute, Sent sent) {
        return at.parameter(attribute).map(p -> {
            long dmx = sent.at(p.channel());
            ChannelFunction function = at.mode().working(p.channel(), dmx, sent::at);
            return new FunctionValue(function, function.fractionOfDmx(dmx));
        });
    }

    private void level() {
        double share = stands(was, Attribute.DIMMER, sentBefore)
                .map(FunctionValue::light)
                .orElse(0.0);
        Optional<Double> there = stands(is, Attribute.DIMMER, sentAfter).map(FunctionValue::light);
        double wanted = share * Counterpart.factor(means, was, is);
        if (there.isEmpty()) {
            tell("Level", share == 0 ? Verdict.CARRIES : Verdict.LOST, share == 0 ? "" : "it has no level of its own");
        } else if (Math.abs(there.get() - share) <= LEVEL && Math.abs(wanted - share) <= LEVEL) {
            tell("Level", Verdict.CARRIES, "");
        } else {
            boolean enough = Math.abs(there.get() - wanted) <= LEVEL;
            tell(
                    "Level",
                    enough ? Verdict.ANEW : Verdict.NEAREST,
                    percent(share) + " → " + percent(there.get())
                            + (enough ? " for the same light" : wanted > 1 ? ", less light than before" : ""));
        }
    }

    private static String percent(double share) {
        return Decimal.text(100 * share, 0) + " %";
    }

    private void colour() {
        Mode mode = is.mode();
        Optional<Chromaticity> seen = light(was, sentBefore).flatMap(Tristimulus::chromaticity);
        if (seen.isEmpty()) {
            tell("Colour", Verdict.CARRIES, "");
            return;
        }
        Optional<Tristimulus> there = light(is, sentAfter);
        if (there.isEmpty()) {
            ColourDifference lamp = ColourDifference.between(mode.lamp(), seen.get());
            boolean same = lamp.grade().compareTo(ColourDifference.Grade.CLOSE) <= 0;
            tell("Colour", same ? Verdict.NEAREST : Verdict.LOST, same ? "its lamp, " + lamp : "neither mix nor wheel");
            return;
        }
        ColourDifference off = ColourDifference.between(there.get(), seen.get());
        boolean match = off.grade().compareTo(ColourDifference.Grade.MATCH) <= 0;
        boolean same = alike() && off.grade() == ColourDifference.Grade.EXACT;
        tell("Colour", same ? Verdict.CARRIES : match ? Verdict.ANEW : Verdict.NEAREST, same ? "" : off.toString());
    }

    private static Optional<Tristimulus> light(At at, Sent sent) {
        return new ShownColour(at.mode(), at.cell(), sent::at).light();
    }

    private void position() {
        Optional<Aiming.PanTilt> from = Aimed.pointed(was.mode(), was.cell(), before);
        Optional<Aiming.PanTilt> to = Aimed.pointed(is.mode(), is.cell(), after);
        if (Aimed.reach(is.mode(), is.cell()).isEmpty() || to.isEmpty()) {
            tell("Position", Verdict.LOST, "it does not pan and tilt");
        } else if (from.isEmpty() || unmoved() && from.get().wayTo(to.get()) <= DEGREES) {
            tell("Position", Verdict.CARRIES, "");
        } else if (was.fixture().pose().isEmpty() || is.fixture().pose().isEmpty()) {
            boolean same = from.get().wayTo(to.get()) <= DEGREES;
            tell(
                    "Position",
                    same && alike() ? Verdict.CARRIES : Verdict.NEAREST,
                    "the same degrees, since a place on the plan is not known");
        } else {
            spot(Counterpart.beam(was, from.get()), Counterpart.beam(is, to.get()));
        }
    }

    private boolean alike() {
        return described || was.sameType(is);
    }

    /** Whether it is the same head in the same place of the same room. */
    private boolean unmoved() {
        return alike()
                && was.samePlace(is)
                && means.marks().stream().allMatch(m -> means.moved().apply(m).equals(m));
    }

    private void spot(Aiming.Beam from, Aiming.Beam to) {
        Vector3 target = means.moved().apply(Spot.of(from, means.marks()));
        double miss = Spot.passes(to, target);
        if (miss <= SPOT) {
            tell("Position", Verdict.ANEW, "aimed at the same spot");
        } else {
            tell("Position", Verdict.NEAREST, "misses the spot by " + Decimal.text(miss, 1) + " m");
        }
    }

    private void rest(Attribute attribute) {
        FunctionValue place = stands(was, attribute, sentBefore).orElse(null);
        if (place == null
                || before.get(attribute)
                        .in(was.mode(), was.parameter(attribute).orElseThrow())
                        .isEmpty()) {
            return;
        }
        String what = was.profile().definition(attribute).pretty();
        Optional<Slot> slot = Slot.of(was, place);
        if (slot.isPresent()) {
            slot(what, slot.get());
        } else if (!described && was.home(attribute, before.get(attribute))) {
            tell(what, Verdict.CARRIES, "");
        } else {
            Attribute does =
                    is.has(place.function().attribute()) ? place.function().attribute() : attribute;
            Optional<FunctionValue> there = stands(is, does, sentAfter);
            there.ifPresentOrElse(t -> place(what, attribute, place, does, t), () -> without(what, attribute, place));
        }
    }

    private void slot(String what, Slot slot) {
        List<Slot> shown = Slot.all(is).stream()
                .map(Slot::attribute)
                .distinct()
                .flatMap(a -> stands(is, a, sentAfter).flatMap(p -> Slot.of(is, p)).stream())
                .filter(s -> !s.open())
                .toList();
        if (slot.open()) {
            tell(what, Verdict.CARRIES, "");
        } else if (shown.stream().anyMatch(slot::called)) {
            tell(what, alike() ? Verdict.CARRIES : Verdict.ANEW, "“" + slot.name() + "” by its name");
        } else if (shown.stream().anyMatch(slot::facetted)) {
            tell(what, Verdict.ANEW, "a prism with as many images");
        } else if (!shown.isEmpty()) {
            tell(what, Verdict.NEAREST, "“" + shown.get(0).name() + "” for “" + slot.name() + "”");
        } else {
            List<String> could = Slot.all(is).stream()
                    .filter(s -> s.attribute().name().startsWith("Gobo")
                            == slot.attribute().name().startsWith("Gobo"))
                    .filter(s -> !s.open())
                    .map(Slot::name)
                    .distinct()
                    .toList();
            tell(
                    what,
                    Verdict.LOST,
                    "nothing like “" + slot.name() + "”"
                            + (could.isEmpty() ? "" : "; it has " + StandsFor.some(could)));
        }
    }

    private void place(String what, Attribute attribute, FunctionValue from, Attribute does, FunctionValue to) {
        Optional<String> name = name(from);
        String unit = was.profile().definition(attribute).unit();
        boolean measured = !unit.equals("None")
                && unit.equals(is.profile().definition(does).unit());
        double a = from.function().physicalOf(from.fraction());
        double b = to.function().physicalOf(to.fraction());
        double span = Math.abs(from.function().physicalTo() - from.function().physicalFrom());
        if (name.isPresent() && name.equals(name(to))) {
            tell(what, Verdict.CARRIES, "");
        } else if (measured && span > 0 && name.isEmpty()) {
            boolean same = Math.abs(a - b) <= Math.max(span * SHARE, unit.equals("Angle") ? DEGREES : 0);
            tell(
                    what,
                    same ? Verdict.CARRIES : Verdict.NEAREST,
                    same ? "" : StandsFor.measure(a, unit) + " → " + StandsFor.measure(b, unit));
        } else {
            boolean same = Math.abs(from.share().value() - to.share().value()) <= SHARE && name.isEmpty();
            String there =
                    name(to).map(n -> "“" + n + "”").orElse(percent(to.share().value()));
            tell(
                    what,
                    same ? Verdict.CARRIES : Verdict.NEAREST,
                    same
                            ? ""
                            : there + " for "
                                    + name.map(n -> "“" + n + "”")
                                            .orElse(percent(from.share().value())));
        }
    }

    private static Optional<String> name(FunctionValue place) {
        return place.function()
                .rangeAt(place.fraction())
                .map(NamedRange::name)
                .map(String::strip)
                .filter(n -> !n.isEmpty())
                .map(n -> n.toLowerCase(java.util.Locale.ROOT));
    }

    private void without(String what, Attribute attribute, FunctionValue place) {
        if (crossed(attribute)) {
            double from = Opening.degrees(was, before).orElse(0);
            double to = Opening.degrees(is, after).orElse(0);
            boolean same = Math.abs(from - to) <= Math.max(DEGREES, from * SHARE);
            tell(
                    what,
                    same ? Verdict.ANEW : Verdict.NEAREST,
                    "beam of " + StandsFor.measure(from, "Angle") + " → " + StandsFor.measure(to, "Angle"));
        } else {
            tell(what, Verdict.LOST, StandsFor.words(attribute, place, is));
        }
    }

    /** Whether zoom stands for iris, or the other way round. */
    private boolean crossed(Attribute attribute) {
        List<String> opening = List.of("Zoom", "Iris");
        return opening.contains(attribute.name())
                && opening.stream()
                        .map(Attribute::new)
                        .filter(a -> !a.equals(attribute))
                        .anyMatch(a -> is.has(a) && after.containsKey(a))
                && Stream.of(Opening.degrees(was, before), Opening.degrees(is, after))
                        .allMatch(d -> d.isPresent());
    }
}
