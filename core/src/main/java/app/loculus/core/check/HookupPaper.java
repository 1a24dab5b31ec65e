package app.loculus.core.check;

import app.loculus.core.ledger.HookupRow;
import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.Starts;
import app.loculus.core.profile.Profile;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Makes the hookup of a show: what it is read from again gives the same fixtures. */
public final class HookupPaper {

    private HookupPaper() {}

    /** One row a fixture, by number; the first stands on line 2, below the headers. */
    public static List<HookupRow> of(Show show) {
        Map<String, Set<String>> makers = new HashMap<>();
        show.profiles()
                .all()
                .forEach(p ->
                        makers.computeIfAbsent(p.name(), n -> new HashSet<>()).add(p.maker()));
        List<HookupRow> rows = new ArrayList<>();
        for (Fixture f : show.patch().fixtures()) {
            Profile profile = show.patch().profileOf(f);
            boolean alone = makers.get(profile.name()).size() == 1;
            rows.add(new HookupRow(
                    rows.size() + 2,
                    String.valueOf(f.number()),
                    f.name(),
                    alone ? profile.name() : profile.fullName(),
                    f.mode(),
                    Starts.of(f.addresses()).toString(),
                    f.position(),
                    f.purpose()));
        }
        return rows;
    }
}
