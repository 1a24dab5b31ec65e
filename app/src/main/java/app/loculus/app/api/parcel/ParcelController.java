package app.loculus.app.api.parcel;

import app.loculus.app.api.Download;
import app.loculus.app.api.paper.MakingBook;
import app.loculus.app.api.paper.PaperController;
import app.loculus.app.session.Shows;
import app.loculus.app.session.Snapshot;
import app.loculus.app.store.SettingStore;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.formats.paper.PaperOptions;
import app.loculus.formats.parcel.Parcel;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What goes along when a show is handed over, and all of it as one parcel. */
@RestController
class ParcelController {

    private static final Logger LOG = LoggerFactory.getLogger(ParcelController.class);

    private static final MediaType ZIP = MediaType.parseMediaType("application/zip");
    private static final String LAST = "parcel.";

    /** @param leftOut what its format cannot say, item by item; @param empty whether there is nothing of it */
    record GoodView(String key, String words, String fact, List<String> leftOut, boolean empty) {}

    /** @param madeAt revision at which the last one was made; −1 when none was */
    record GoodsView(List<GoodView> goods, long madeAt, long revision) {}

    private final Shows shows;
    private final Goods goods;
    private final MakingBook book;
    private final SettingStore settings;
    private final Clock clock;

    ParcelController(Shows shows, Goods goods, MakingBook book, SettingStore settings, Clock clock) {
        this.shows = shows;
        this.goods = goods;
        this.book = book;
        this.settings = settings;
        this.clock = clock;
    }

    @GetMapping("/api/shows/{id}/parcel/contents")
    GoodsView contents(@PathVariable long id) {
        Snapshot snapshot = shows.get(id);
        long madeAt = settings.find(LAST + id).map(Long::parseLong).orElse(-1L);
        return new GoodsView(
                goods.of(snapshot).stream()
                        .map(g -> new GoodView(key(g.kind()), g.kind().words(), g.fact(), g.leftOut(), g.empty()))
                        .toList(),
                madeAt,
                snapshot.revision());
    }

    private static String key(Goods.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT);
    }

    /**
     * @param with keys of what goes along, with commas between; everything when absent
     * @param size of its paper: a4 or letter
     * @param making a name to ask how far it is, and to stop it; see {@code /api/making}
     */
    @GetMapping("/api/shows/{id}/parcel")
    ResponseEntity<byte[]> parcel(
            @PathVariable long id,
            @RequestParam(required = false) String with,
            @RequestParam(required = false) String size,
            @RequestParam(required = false) String making) {
        Snapshot snapshot = shows.get(id);
        Set<Goods.Kind> kinds = kinds(with);
        PaperOptions options = PaperController.options(size, null);
        String now = OffsetDateTime.now(clock.withZone(ZoneId.systemDefault()))
                .truncatedTo(ChronoUnit.SECONDS)
                .toString();
        byte[] packed = book.making(
                making,
                watched -> Parcel.pack(
                        new Parcel.About(
                                snapshot.show().name(), snapshot.revision(), now, goods.leftOut(snapshot, kinds)),
                        goods.parts(snapshot, kinds, options, watched),
                        watched));
        remember(id, snapshot.revision());
        return Download.of(snapshot.show().name(), Parcel.SUFFIX, ZIP, packed);
    }

    /** The parcel is made, whether or not there is room to write that down. */
    private void remember(long show, long revision) {
        try {
            settings.put(LAST + show, String.valueOf(revision));
        } catch (RuntimeException e) {
            LOG.warn("That a parcel was made could not be written down: {}", e.getMessage());
        }
    }

    private static Set<Goods.Kind> kinds(String with) {
        if (with == null) {
            return EnumSet.allOf(Goods.Kind.class);
        }
        Set<Goods.Kind> kinds = EnumSet.noneOf(Goods.Kind.class);
        for (String word : with.split(",")) {
            Optional<Goods.Kind> kind = Arrays.stream(Goods.Kind.values())
                    .filter(k -> key(k).equals(word.strip()))
                    .findFirst();
            kinds.add(kind.orElseThrow(() -> Refusal.of(
                    "parcel.with",
                    "with",
                    "A parcel holds no “" + word + "”.",
                    WayOut.advice("There are "
                            + Arrays.stream(Goods.Kind.values())
                                    .map(ParcelController::key)
                                    .collect(Collectors.joining(", "))
                            + "."))));
        }
        return kinds;
    }
}
