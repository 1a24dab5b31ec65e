package app.loculus.core.command;

import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.misc.Interval;

/** Words of a line as they were typed. Those that are meant otherwise may stand in another order than they are read in. */
final class LineWords {

    private LineWords() {}

    private static Token last(ParserRuleContext c) {
        return c.getStop() == null ? c.getStart() : c.getStop();
    }

    /** Its first character. */
    static int from(ParserRuleContext c) {
        return Math.min(c.getStart().getStartIndex(), last(c).getStartIndex());
    }

    /** Its last character. */
    static int to(ParserRuleContext c) {
        return Math.max(c.getStart().getStopIndex(), last(c).getStopIndex());
    }

    /** With a blank before them; empty where there are none. */
    static String of(ParserRuleContext c) {
        return c == null ? "" : " " + c.getStart().getInputStream().getText(Interval.of(from(c), to(c)));
    }
}
