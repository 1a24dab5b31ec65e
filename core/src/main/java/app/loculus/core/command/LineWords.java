package app.loculus.core.command;

import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.misc.Interval;

/** Words of a line as they were typed. */
final class LineWords {

    private LineWords() {}

    /** With a blank before them; empty where there are none. */
    static String of(ParserRuleContext c) {
        return c == null
                ? ""
                : " "
                        + c.getStart()
                                .getInputStream()
                                .getText(Interval.of(
                                        c.getStart().getStartIndex(),
                                        c.getStop().getStopIndex()));
    }
}
