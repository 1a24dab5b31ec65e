package app.loculus.core.patch;

import app.loculus.core.profile.Mode;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Where a fixture starts, as paper and table write it: {@code 5.1}, or {@code 5.1 + 5.101} for one that is addressed
 * in several places; empty for a fixture without an address.
 */
public record Starts(List<Address> addresses) {

    public static final Starts NONE = new Starts(List.of());

    private static final String JOINED = " + ";

    public Starts {
        addresses = List.copyOf(addresses);
    }

    public static Starts at(Address address) {
        return new Starts(List.of(address));
    }

    /** Those of a fixture, in the order it holds them. */
    public static Starts of(Collection<PatchedAddress> patched) {
        return new Starts(patched.stream().map(PatchedAddress::address).toList());
    }

    /**
     * Reads what people write: with a point, a slash or a colon between universe and slot, several joined by a plus,
     * a comma or an ampersand; a dash or nothing for none.
     *
     * @throws app.loculus.core.problem.Refusal naming what is no address
     */
    public static Starts parse(String written) {
        String text = written.strip().replace('/', '.').replace(':', '.');
        return text.isEmpty() || text.matches("[-–—]")
                ? NONE
                : new Starts(Stream.of(text.split("\\s*[+,&]\\s*", -1))
                        .map(Address::parse)
                        .toList());
    }

    public boolean none() {
        return addresses.isEmpty();
    }

    /**
     * The addresses of every break of a mode. Breaks that no start is left for run on from the last one; starts beyond
     * the breaks are further places for the same slots, again break by break.
     */
    public List<PatchedAddress> allot(Mode mode, boolean shared) {
        List<Integer> breaks = List.copyOf(mode.footprint().keySet());
        List<PatchedAddress> all = new ArrayList<>();
        if (none() || breaks.isEmpty()) {
            return all;
        }
        for (Address start : addresses) {
            all.add(new PatchedAddress(breaks.get(all.size() % breaks.size()), start, shared));
        }
        if (all.size() < breaks.size()) {
            RunOn run = new RunOn(addresses.get(addresses.size() - 1), 0);
            run.take(mode.footprint().get(breaks.get(all.size() - 1)));
            while (all.size() < breaks.size()) {
                int number = breaks.get(all.size());
                all.add(new PatchedAddress(number, run.take(mode.footprint().get(number)), shared));
            }
        }
        return all;
    }

    /** Whether these say of a fixture in a mode what is so: every place it has, but for breaks that run on anyway. */
    public boolean says(Mode mode, Collection<PatchedAddress> patched) {
        List<Address> there = of(patched).addresses;
        return addresses.equals(there) || of(allot(mode, false)).addresses.equals(there);
    }

    @Override
    public String toString() {
        return addresses.stream().map(Address::toString).collect(Collectors.joining(JOINED));
    }
}
