package app.loculus.core.carry;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.FixtureId;
import app.loculus.core.patch.Patch;
import app.loculus.core.problem.Refusal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Which fixture here answers to which of another show, where parts of that come into this one: at most one to each. */
public final class Answering {

    private Answering() {}

    /**
     * @param byType the first, second… of a type answer to each other; else those of the same number
     * @param told their numbers with ours, where somebody was asked
     * @throws Refusal when a number that was told is not there
     */
    public static Pairing of(Patch theirs, Patch ours, boolean byType, Map<Integer, Integer> told) {
        Map<FixtureId, FixtureId> answers = new HashMap<>();
        Map<String, List<Fixture>> types = ours.fixtures().stream()
                .collect(Collectors.groupingBy(f -> ours.profileOf(f).fullName()));
        Map<String, Integer> next = new HashMap<>();
        for (Fixture f : theirs.fixtures()) {
            String type = theirs.profileOf(f).fullName();
            List<Fixture> same = types.getOrDefault(type, List.of());
            int at = next.merge(type, 1, Integer::sum) - 1;
            Optional<Fixture> answer =
                    byType ? Optional.of(at).filter(i -> i < same.size()).map(same::get) : ours.numbered(f.number());
            answer.ifPresent(a -> answers.put(f.id(), a.id()));
        }
        told.forEach((their, our) ->
                answers.put(theirs.number(their).id(), ours.number(our).id()));
        return new Pairing(theirs.fixtures().stream()
                .filter(f -> answers.containsKey(f.id()))
                .map(f -> new Pair(f.id(), answers.get(f.id()), by(f, byType, told)))
                .toList());
    }

    private static Pair.By by(Fixture theirs, boolean byType, Map<Integer, Integer> told) {
        return told.containsKey(theirs.number()) ? Pair.By.HAND : byType ? Pair.By.SAME_TYPE : Pair.By.NUMBER;
    }
}
