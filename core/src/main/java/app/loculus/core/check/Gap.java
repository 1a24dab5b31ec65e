package app.loculus.core.check;

import java.util.List;

/**
 * One thing to look at before handing over.
 *
 * @param kind clash, dead, wrong, address, group or palette
 * @param numbers the fixtures it is about
 */
public record Gap(String kind, Chapter.State state, String words, List<Integer> numbers) {

    public Gap {
        numbers = List.copyOf(numbers);
    }
}
