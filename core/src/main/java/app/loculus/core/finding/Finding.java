package app.loculus.core.finding;

import app.loculus.core.ledger.Aside;
import app.loculus.core.ledger.ChapterName;
import app.loculus.core.ledger.FindingKey;
import app.loculus.core.patch.UnitId;
import java.util.List;
import java.util.Optional;

/**
 * One thing to look at before handing over.
 *
 * @param rule name of the rule that found it
 * @param words a sentence that says what and who
 * @param beside what helps to judge it, may be empty
 * @param who units it is about, may be nobody
 * @param spot where it is to be seen
 */
public record Finding(
        String rule,
        FindingKey key,
        ChapterName chapter,
        Severity severity,
        String words,
        String beside,
        List<UnitId> who,
        Optional<Spot> spot) {

    public Finding {
        who = List.copyOf(who);
    }

    /** Another one as soon as it is about something else: other words, other units. */
    public String matter() {
        return Integer.toHexString((words + "|" + beside + "|" + who).hashCode());
    }

    /** Whether somebody left just this as it is. */
    public boolean meant(Aside aside) {
        return aside.finding().equals(key) && aside.matter().equals(matter());
    }
}
