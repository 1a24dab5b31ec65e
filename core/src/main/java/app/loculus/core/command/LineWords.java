package app.loculus.core.command;

import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.Token;
import org.antlr.v4.runtime.misc.Interval;

/** Words of a line as they were typed. */
final class LineWords {

    private LineWords() {}

    private static int from(Token token) {
        return token.getStartIndex();
    }

    /** Words that are meant otherwise may stand in another order than they were typed in. */
    private static int to(Token token) {
        return token.getStopIndex();
    }

    /** With a blank before them; empty where there are none. */
    static String of(ParserRuleContext c) {
        return c == null
                ? ""
                : " "
                        + c.getStart()
                                .getInputStream()
                                .getText(Interval.of(
                                        Math.min(from(c.getStart()), from(c.getStop())),
                                        Math.max(to(c.getStart()), to(c.getStop()))));
    }
}
