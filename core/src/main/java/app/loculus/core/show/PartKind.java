package app.loculus.core.show;

import java.util.Comparator;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.BiPredicate;
import java.util.function.Function;

/**
 * One kind of part of a show, such as its fixtures: what it is called, how it is keyed, what it refers to, and how its
 * differences are told. Everything that treats parts alike (draft, history, journal, show file, live feed) goes by this.
 *
 * @param <K> the key of a part among its kind
 * @param <V> the part; immutable, equal by content
 */
public final class PartKind<K, V> {

    /** Takes a part to what is left of it when what it names changes; empty when nothing is left. */
    public interface Refitter<K, V> {
        Optional<V> refitted(K key, V part, Refit refit);
    }

    /**
     * How keys are written: in the journal, in files, on the wire.
     *
     * @param field what a key is called beside a part that does not know it
     * @param counted whether keys are numbers, so that runs of them can be written short
     */
    public record Keys<K>(
            Class<K> type,
            String field,
            boolean counted,
            Comparator<? super K> order,
            Function<K, String> text,
            Function<String, K> read) {}

    private final String name;
    private final String words;
    private final Keys<K> keys;
    private final Class<V> parts;
    private Optional<Function<V, K>> own = Optional.empty();
    private Function<K, Optional<V>> usual = key -> Optional.empty();
    private Refitter<K, V> refitter = (key, part, refit) -> Optional.of(part);
    private Teller<K, V> teller = Teller.nothing();
    private Optional<Function<V, Object>> number = Optional.empty();
    private BiFunction<Show, V, Optional<String>> broken = (show, part) -> Optional.empty();
    private BiPredicate<V, V> noticed = (before, after) -> true;

    private PartKind(String name, String words, Keys<K> keys, Class<V> parts) {
        this.name = name;
        this.words = words;
        this.keys = keys;
        this.parts = parts;
    }

    /**
     * @param name stable: it stands in journals and files for good
     * @param words what several of them are called, with a small letter
     */
    static <K, V> PartKind<K, V> of(String name, String words, Keys<K> keys, Class<V> parts) {
        return new PartKind<>(name, words, keys, parts);
    }

    /** Parts know their own key. */
    PartKind<K, V> keyedBy(Function<V, K> key) {
        own = Optional.of(key);
        return this;
    }

    /** What a part is as long as nobody has said anything; it is never stored. */
    PartKind<K, V> usually(Function<K, V> part) {
        usual = key -> Optional.of(part.apply(key));
        return this;
    }

    PartKind<K, V> refitting(Refitter<K, V> how) {
        refitter = how;
        return this;
    }

    PartKind<K, V> told(Teller<K, V> how) {
        teller = how;
        return this;
    }

    /** What no two parts of the kind may have alike; null for one that has none. */
    PartKind<K, V> numberedBy(Function<V, Object> what) {
        number = Optional.of(what);
        return this;
    }

    /** Why a part cannot stand in a show, in words. */
    PartKind<K, V> brokenWhen(BiFunction<Show, V, Optional<String>> why) {
        broken = why;
        return this;
    }

    /** Which changes matter to somebody who read the part; a new or a vanished one always does. */
    PartKind<K, V> noticedWhen(BiPredicate<V, V> differ) {
        noticed = differ;
        return this;
    }

    public String name() {
        return name;
    }

    public String words() {
        return words;
    }

    public Keys<K> keys() {
        return keys;
    }

    public Class<V> parts() {
        return parts;
    }

    /** A part's own key; empty for kinds whose parts are keyed from outside. */
    public Optional<K> keyOf(V part) {
        return own.map(f -> f.apply(part));
    }

    /** Whether parts know their own keys. */
    public boolean ownKeys() {
        return own.isPresent();
    }

    public boolean once() {
        return keys.type() == Whole.class;
    }

    public PartRef ref(K key) {
        return new PartRef(this, key);
    }

    Optional<V> usual(K key) {
        return usual.apply(key);
    }

    /** The part as it is stored: nothing where it is as usual. */
    public Optional<V> stored(K key, V part) {
        return usual(key).filter(part::equals).isPresent() ? Optional.empty() : Optional.of(part);
    }

    Optional<V> refitted(K key, V part, Refit refit) {
        return refitter.refitted(key, part, refit);
    }

    Optional<Object> number(V part) {
        // A part may have none.
        return number.flatMap(f -> Optional.ofNullable(f.apply(part)));
    }

    Optional<String> broken(Show show, V part) {
        return broken.apply(show, part);
    }

    Teller<K, V> teller() {
        return teller;
    }

    boolean noticed(Optional<V> before, Optional<V> after) {
        return before.isEmpty() || after.isEmpty() || noticed.test(before.get(), after.get());
    }

    @Override
    public String toString() {
        return name;
    }
}
