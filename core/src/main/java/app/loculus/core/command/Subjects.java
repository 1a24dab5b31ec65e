package app.loculus.core.command;

import java.util.Map;
import java.util.Optional;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.tree.ParseTree;

/** Finds the words of a command that a problem is about. */
final class Subjects {

    private static final Map<String, Class<? extends ParserRuleContext>> CLAUSES = Map.ofEntries(
            Map.entry("numbers", LineParser.NumbersContext.class),
            Map.entry("address", LineParser.AddressContext.class),
            Map.entry("profile", LineParser.ProfileContext.class),
            Map.entry("selection", LineParser.SelectionContext.class),
            Map.entry("group", LineParser.GroupRefContext.class),
            Map.entry("palette", LineParser.PaletteRefContext.class),
            Map.entry("pattern", LineParser.PatternContext.class),
            Map.entry("attribute", LineParser.AttributeContext.class),
            Map.entry("value", LineParser.AmountContext.class),
            Map.entry("level", LineParser.AmountContext.class),
            Map.entry("colour", LineParser.ColourXyContext.class),
            Map.entry("scope", LineParser.ScopeContext.class),
            Map.entry("place", LineParser.PointContext.class),
            Map.entry("target", LineParser.TargetContext.class),
            Map.entry("universe", LineParser.NumberTermContext.class),
            Map.entry("cue", LineParser.CueRefContext.class),
            Map.entry("effect", LineParser.EffectRefContext.class),
            Map.entry("list", LineParser.ListRefContext.class),
            Map.entry("look", LineParser.LookRefContext.class),
            Map.entry("time", LineParser.TimeContext.class),
            Map.entry("name", LineParser.TextContext.class));

    private Subjects() {}

    static Optional<ParserRuleContext> find(ParserRuleContext root, String subject) {
        Class<? extends ParserRuleContext> wanted = CLAUSES.get(subject);
        return wanted == null ? Optional.empty() : search(root, wanted);
    }

    private static Optional<ParserRuleContext> search(ParseTree tree, Class<? extends ParserRuleContext> wanted) {
        if (wanted.isInstance(tree)) {
            return Optional.of(wanted.cast(tree));
        }
        for (int i = 0; i < tree.getChildCount(); i++) {
            Optional<ParserRuleContext> found = search(tree.getChild(i), wanted);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }
}
