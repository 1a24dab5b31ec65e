package app.loculus.core.edit.patch;

import app.loculus.core.patch.Claim;
import java.util.ArrayList;
import java.util.List;

/** Writes claims as runs of slots: {@code 3.441–3.512, then 4.1–4.24}. */
public final class Spans {

    /** More runs than this are counted, not listed. */
    private static final int MOST_LISTED = 4;

    private record Run(int universe, int first, int last) {

        boolean continuedBy(Claim claim) {
            return claim.universe() == universe && claim.first() == last + 1;
        }

        String text() {
            return first == last ? universe + "." + first : universe + "." + first + "–" + universe + "." + last;
        }
    }

    private Spans() {}

    static String text(List<Claim> claims) {
        List<Run> runs = new ArrayList<>();
        for (Claim claim : claims) {
            int end = runs.size() - 1;
            if (end >= 0 && runs.get(end).continuedBy(claim)) {
                runs.set(end, new Run(claim.universe(), runs.get(end).first, claim.last()));
            } else {
                runs.add(new Run(claim.universe(), claim.first(), claim.last()));
            }
        }
        String listed = String.join(
                ", then ", runs.stream().limit(MOST_LISTED).map(Run::text).toList());
        return runs.size() > MOST_LISTED ? listed + " and " + (runs.size() - MOST_LISTED) + " more runs" : listed;
    }
}
