package app.loculus.core.check;

import app.loculus.core.command.ReadAloud;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Patch;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Looks over what was read aloud so far: what was said twice, what was skipped. */
public final class Readback {

    private Readback() {}

    /** Sentences about the entries in the order they were read; the last entry is the one just heard. */
    public static List<String> flags(Patch patch, List<ReadAloud> read) {
        List<String> flags = new ArrayList<>();
        if (read.isEmpty()) {
            return flags;
        }
        ReadAloud last = read.get(read.size() - 1);
        twice(read, last, flags);
        List<Integer> skipped = skipped(patch, read);
        if (!skipped.isEmpty()) {
            flags.add("Not read yet: " + app.loculus.core.unit.Numbers.text(skipped));
        }
        return flags;
    }

    private static void twice(List<ReadAloud> read, ReadAloud last, List<String> flags) {
        Map<Object, Integer> said = new HashMap<>();
        for (int i = 0; i < read.size() - 1; i++) {
            said.put(read.get(i).number(), i + 1);
            said.put(read.get(i).address(), i + 1);
        }
        if (said.containsKey(last.number())) {
            flags.add("Fixture " + last.number() + " was read before, as entry " + said.get(last.number()));
        }
        if (said.containsKey(last.address())) {
            flags.add("Address " + last.address() + " was read before, in entry " + said.get(last.address()));
        }
    }

    /** Fixtures between the lowest and the highest number read that were not, and single numbers left out in a row. */
    private static List<Integer> skipped(Patch patch, List<ReadAloud> read) {
        TreeSet<Integer> numbers = read.stream().map(ReadAloud::number).collect(Collectors.toCollection(TreeSet::new));
        TreeSet<Integer> skipped = patch.between(numbers.first(), numbers.last()).stream()
                .map(Fixture::number)
                .collect(Collectors.toCollection(TreeSet::new));
        numbers.stream().filter(n -> numbers.contains(n + 2)).forEach(n -> skipped.add(n + 1));
        skipped.removeAll(numbers);
        return List.copyOf(skipped);
    }
}
