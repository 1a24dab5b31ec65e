package app.loculus.core.show;

import app.loculus.core.device.KnownDevice;
import app.loculus.core.device.Uid;
import app.loculus.core.drawing.KeptDrawing;
import app.loculus.core.effect.Effect;
import app.loculus.core.effect.Movement;
import app.loculus.core.group.Group;
import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.ledger.Paperwork;
import app.loculus.core.ledger.Signature;
import app.loculus.core.look.Cue;
import app.loculus.core.look.CueId;
import app.loculus.core.look.CueList;
import app.loculus.core.look.Look;
import app.loculus.core.look.LookId;
import app.loculus.core.look.Opened;
import app.loculus.core.look.Submaster;
import app.loculus.core.look.SubmasterId;
import app.loculus.core.mark.Mark;
import app.loculus.core.mark.MarkId;
import app.loculus.core.niche.NichePage;
import app.loculus.core.niche.NichePageId;
import app.loculus.core.palette.Entry;
import app.loculus.core.palette.Palette;
import app.loculus.core.patch.Address;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.UnitId;
import app.loculus.core.patch.UniverseSetup;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.Profile;
import app.loculus.core.profile.ProfileId;
import app.loculus.core.programmer.Hand;
import app.loculus.core.programmer.HighlightLook;
import app.loculus.core.programmer.Touched;
import app.loculus.core.programmer.UnitValues;
import app.loculus.core.selection.GroupId;
import app.loculus.core.value.CueListId;
import app.loculus.core.value.EffectId;
import app.loculus.core.value.PaletteId;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Every kind of part a show has, in the order in which they are written: what is referred to comes before what refers
 * to it. A new kind is one more entry here, its record, its table and its store.
 */
public final class PartKinds {

    public static final PartKind<Whole, String> NAME = PartKind.of("name", "name", whole(), String.class)
            .told((before, after, were, are, words) -> {
                if (!were.equals(are)) {
                    words.accept("The show is called “" + after.name() + "”, no longer “" + before.name() + "”");
                }
            });

    public static final PartKind<ProfileId, Profile> PROFILES = PartKind.of(
                    "profiles",
                    "profiles",
                    new PartKind.Keys<>(
                            ProfileId.class,
                            "id",
                            false,
                            Comparator.comparing(ProfileId::value),
                            ProfileId::value,
                            ProfileId::new),
                    Profile.class)
            .keyedBy(Profile::id);

    public static final PartKind<FixtureId, Fixture> FIXTURES = PartKind.of(
                    "fixtures", "fixtures", numbered(FixtureId.class, FixtureId::value, FixtureId::new), Fixture.class)
            .keyedBy(Fixture::id)
            .numberedBy(Fixture::number)
            .brokenWhen((show, f) -> withoutType(show, f).or(() -> outside(show, f)))
            .noticedWhen((a, b) -> a.number() != b.number()
                    || !a.profile().equals(b.profile())
                    || !a.mode().equals(b.mode()))
            .told(new FixtureTeller());

    public static final PartKind<GroupId, Group> GROUPS = PartKind.of(
                    "groups", "groups", numbered(GroupId.class, GroupId::value, GroupId::new), Group.class)
            .keyedBy(Group::id)
            .numberedBy(Group::number)
            .brokenWhen(Circles::of)
            .refitting((id, group, refit) ->
                    Optional.of(group.holding(group.content().refitted(refit::choice))))
            .told(new GroupTeller());

    public static final PartKind<MarkId, Mark> MARKS = PartKind.of(
                    "marks", "marks", numbered(MarkId.class, MarkId::value, MarkId::new), Mark.class)
            .keyedBy(Mark::id)
            .numberedBy(m -> "mark " + m.name().toLowerCase(java.util.Locale.ROOT))
            .told(Teller.named("mark", Mark::toString));

    public static final PartKind<NichePageId, NichePage> NICHE_PAGES = PartKind.of(
                    "pages",
                    "pages of niches",
                    numbered(NichePageId.class, NichePageId::value, NichePageId::new),
                    NichePage.class)
            .keyedBy(NichePage::id)
            .numberedBy(NichePage::label)
            .told(Teller.named("page", NichePage::toString));

    public static final PartKind<PaletteId, Palette> PALETTES = PartKind.of(
                    "palettes", "palettes", numbered(PaletteId.class, PaletteId::value, PaletteId::new), Palette.class)
            .keyedBy(Palette::id)
            .numberedBy(p -> p.kind().word() + " " + p.number())
            .brokenWhen(Circles::of)
            .refitting((id, palette, refit) -> Optional.of(refitted(palette, refit)))
            .told(Teller.named("palette", Palette::toString));

    public static final PartKind<EffectId, Effect> EFFECTS = PartKind.of(
                    "effects", "effects", numbered(EffectId.class, EffectId::value, EffectId::new), Effect.class)
            .keyedBy(Effect::id)
            .numberedBy(e -> e.number().map(n -> "effect " + n).orElse(null))
            .brokenWhen(PartKinds::leading)
            .refitting((id, effect, refit) -> Optional.of(refitted(effect, refit)))
            .told(Teller.named("effect", Effect::toString));

    public static final PartKind<LookId, Look> LOOKS = PartKind.of(
                    "looks", "looks", numbered(LookId.class, LookId::value, LookId::new), Look.class)
            .keyedBy(Look::id)
            .numberedBy(l -> l.number().map(n -> "look " + n).orElse(null))
            .refitting((id, look, refit) -> Optional.of(refitted(look, refit)))
            .told(new LookTeller());

    public static final PartKind<CueListId, CueList> LISTS = PartKind.of(
                    "lists", "cue lists", numbered(CueListId.class, CueListId::value, CueListId::new), CueList.class)
            .keyedBy(CueList::id)
            .numberedBy(l -> "list " + l.number())
            .told(Teller.named("cue list", CueList::toString));

    public static final PartKind<CueId, Cue> CUES = PartKind.of(
                    "cues", "cues", numbered(CueId.class, CueId::value, CueId::new), Cue.class)
            .keyedBy(Cue::id)
            .numberedBy(c -> "cue " + c.number() + " of list " + c.list().value())
            .brokenWhen(PartKinds::loose)
            .told(Teller.named("cue", Cue::toString));

    public static final PartKind<SubmasterId, Submaster> SUBMASTERS = PartKind.of(
                    "submasters",
                    "submasters",
                    numbered(SubmasterId.class, SubmasterId::value, SubmasterId::new),
                    Submaster.class)
            .keyedBy(Submaster::id)
            .numberedBy(s -> "submaster " + s.number())
            .brokenWhen((show, s) ->
                    show.find(LOOKS, s.look()).isPresent() ? Optional.empty() : Optional.of(s + " would hold no look"))
            .told(Teller.named("submaster", Submaster::toString));

    public static final PartKind<Integer, UniverseSetup> UNIVERSES = PartKind.of(
                    "universes", "universes", numbered(Integer.class, n -> n, n -> n), UniverseSetup.class)
            .keyedBy(UniverseSetup::universe)
            .usually(UniverseSetup::usual)
            .told(Teller.named("universe", u -> String.valueOf(u.universe())));

    public static final PartKind<UnitId, UnitValues> VALUES = PartKind.of(
                    "values",
                    "working values",
                    new PartKind.Keys<>(
                            UnitId.class, "unit", true, Comparator.naturalOrder(), UnitId::toString, UnitId::parse),
                    UnitValues.class)
            .usually(unit -> UnitValues.NONE)
            .refitting(PartKinds::refitted)
            .told(Teller.whenever("Working values differ"));

    public static final PartKind<Whole, Hand> HAND = PartKind.of("hand", "the selection", whole(), Hand.class)
            .usually(show -> Hand.EMPTY)
            .refitting((show, hand, refit) -> Optional.of(hand.keeping(refit::keeps, refit::choice)));

    public static final PartKind<Whole, HighlightLook> HIGHLIGHT = PartKind.of(
                    "highlight", "looks of highlight", whole(), HighlightLook.class)
            .usually(show -> HighlightLook.PROFILES)
            .told(Teller.whenever("Highlight looks different"));

    public static final PartKind<Whole, Opened> OPENED = PartKind.of("opened", "the open look", whole(), Opened.class)
            .usually(show -> Opened.NONE)
            .refitting((show, opened, refit) ->
                    Optional.of(opened.look().map(refit::keepsLook).orElse(true) ? opened : Opened.NONE));

    public static final PartKind<FindingKey, Aside> ASIDES = PartKind.of(
                    "asides",
                    "findings that are set aside",
                    new PartKind.Keys<>(
                            FindingKey.class,
                            "finding",
                            false,
                            Comparator.naturalOrder(),
                            FindingKey::value,
                            FindingKey::new),
                    Aside.class)
            .keyedBy(Aside::finding)
            .told(Teller.named("finding set aside", Aside::toString));

    public static final PartKind<ChapterName, Signature> SIGNATURES = PartKind.of(
                    "signatures",
                    "signatures",
                    new PartKind.Keys<>(
                            ChapterName.class,
                            "chapter",
                            false,
                            Comparator.naturalOrder(),
                            ChapterName::name,
                            ChapterName::valueOf),
                    Signature.class)
            .keyedBy(Signature::chapter)
            .told(Teller.named("signature", Signature::toString));

    public static final PartKind<Whole, Paperwork> PAPERWORK = PartKind.of(
                    "paperwork", "the paper it is held to", whole(), Paperwork.class)
            .usually(show -> Paperwork.NONE)
            .told(Teller.whenever("It is held to another paper"));

    public static final PartKind<Integer, KeptDrawing> DRAWINGS = PartKind.of(
                    "drawings", "drawings", numbered(Integer.class, n -> n, n -> n), KeptDrawing.class)
            .keyedBy(KeptDrawing::number)
            .refitting((number, drawing, refit) -> Optional.of(drawing.keeping(
                    id -> refit.keeps(UnitId.whole(new FixtureId(id))), id -> refit.keepsMark(new MarkId(id)))))
            .told(Teller.named("drawing", KeptDrawing::toString));

    /** Which device is which fixture. */
    public static final PartKind<Uid, KnownDevice> DEVICES = PartKind.of(
                    "devices",
                    "devices",
                    new PartKind.Keys<>(Uid.class, "uid", false, Comparator.naturalOrder(), Uid::toString, Uid::parse),
                    KnownDevice.class)
            .keyedBy(KnownDevice::uid)
            .refitting((uid, known, refit) -> Optional.of(known).filter(k -> refit.keeps(UnitId.whole(k.fixture()))))
            .told(Teller.named("device", KnownDevice::toString));

    /** What tells the show from all others, wherever it is opened; what is drawn of it is known by that. */
    public static final PartKind<Whole, String> IDENTITY =
            PartKind.of("identity", "identity", whole(), String.class).usually(show -> "");

    public static final List<PartKind<?, ?>> ALL = List.of(
            NAME,
            PROFILES,
            FIXTURES,
            GROUPS,
            MARKS,
            PALETTES,
            NICHE_PAGES,
            EFFECTS,
            LOOKS,
            LISTS,
            CUES,
            SUBMASTERS,
            UNIVERSES,
            VALUES,
            HAND,
            HIGHLIGHT,
            OPENED,
            ASIDES,
            SIGNATURES,
            PAPERWORK,
            DRAWINGS,
            DEVICES,
            IDENTITY);

    private PartKinds() {}

    /** @return empty for a name that no kind of today has */
    public static Optional<PartKind<?, ?>> named(String name) {
        return ALL.stream()
                .<PartKind<?, ?>>map(k -> k)
                .filter(k -> k.name().equals(name))
                .findFirst();
    }

    private static Optional<String> withoutType(Show show, Fixture f) {
        return show.profiles()
                        .find(f.profile())
                        .flatMap(p -> p.findMode(f.mode()))
                        .isPresent()
                ? Optional.empty()
                : Optional.of("fixture " + f.number() + " is of a profile or mode that the show does not hold");
    }

    /** A claim stays within its universe, whatever the addresses came from. */
    private static Optional<String> outside(Show show, Fixture f) {
        return show.patch().claimsOf(f).stream()
                .filter(c -> !c.at().address().fits(c.slots()))
                .findFirst()
                .map(c -> "fixture " + f.number() + " needs " + c.slots() + " slots; " + c.at().address() + " leaves "
                        + (Address.SLOTS - c.first() + 1));
    }

    private static Optional<String> leading(Show show, Effect effect) {
        boolean led = effect.palettes().stream().allMatch(p -> show.palette(p).isPresent())
                && effect.marks().stream().allMatch(m -> show.mark(m).isPresent());
        return led
                ? Optional.empty()
                : Optional.of(effect + " would go through a palette or around a mark that is gone");
    }

    private static Effect refitted(Effect effect, Refit refit) {
        List<Movement> kept = effect.movements().stream()
                .flatMap(m -> m.keeping(refit::keepsPalette, refit::keepsMark).stream())
                .toList();
        return kept.equals(effect.movements()) ? effect : effect.moving(kept);
    }

    private static Optional<String> loose(Show show, Cue cue) {
        if (show.find(LISTS, cue.list()).isEmpty()) {
            return Optional.of(cue + " would be in no list");
        }
        return show.find(LOOKS, cue.look()).isPresent() ? Optional.empty() : Optional.of(cue + " would hold no look");
    }

    private static PartKind.Keys<Whole> whole() {
        return new PartKind.Keys<>(Whole.class, "show", false, Comparator.naturalOrder(), w -> "", text -> Whole.SHOW);
    }

    private static <K> PartKind.Keys<K> numbered(
            Class<K> type, java.util.function.ToIntFunction<K> number, java.util.function.IntFunction<K> of) {
        return new PartKind.Keys<>(
                type,
                "id",
                true,
                Comparator.comparingInt(number),
                k -> String.valueOf(number.applyAsInt(k)),
                text -> of.apply(Integer.parseInt(text)));
    }

    private static Palette refitted(Palette palette, Refit refit) {
        List<Entry> before = palette.entries();
        List<Entry> after = refit.entries(palette, before).stream()
                .flatMap(e -> refit.entry(palette, e).stream())
                .toList();
        Optional<MarkId> aim = palette.aim().filter(refit::keepsMark);
        Palette held = after.equals(before) ? palette : palette.holding(after);
        return aim.equals(palette.aim()) ? held : held.aimedAt(aim);
    }

    /** Nearly always nothing changes, and nothing is made then. */
    private static Look refitted(Look look, Refit refit) {
        boolean same = look.values().entrySet().stream()
                .allMatch(e -> refitted(e.getKey(), e.getValue(), refit).orElse(null) == e.getValue());
        if (same) {
            return look;
        }
        Map<UnitId, UnitValues> after = new LinkedHashMap<>();
        look.values()
                .forEach((unit, values) ->
                        refitted(unit, values, refit).filter(v -> !v.isEmpty()).ifPresent(v -> after.put(unit, v)));
        return look.holding(after);
    }

    private static Optional<UnitValues> refitted(UnitId unit, UnitValues values, Refit refit) {
        if (!refit.keeps(unit)) {
            return Optional.empty();
        }
        UnitValues fitted = refit.values(unit, values);
        boolean same = fitted == values;
        for (Map.Entry<Attribute, Touched> e : fitted.byAttribute().entrySet()) {
            same &= refitted(unit, e.getKey(), e.getValue(), refit).orElse(null) == e.getValue();
        }
        if (same) {
            return Optional.of(values);
        }
        Map<Attribute, Touched> kept = new LinkedHashMap<>();
        fitted.byAttribute()
                .forEach((attribute, value) ->
                        refitted(unit, attribute, value, refit).ifPresent(v -> kept.put(attribute, v)));
        return kept.equals(values.byAttribute())
                ? Optional.of(values)
                : Optional.of(new UnitValues(kept, fitted.asked()));
    }

    private static Optional<Touched> refitted(UnitId unit, Attribute attribute, Touched value, Refit refit) {
        return refit.value(unit, attribute, value)
                .map(v -> v.was().map(refit::keepsPalette).orElse(true) ? v : v.forgetting());
    }
}
