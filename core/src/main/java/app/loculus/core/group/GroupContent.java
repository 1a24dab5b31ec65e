package app.loculus.core.group;

import app.loculus.core.selection.Choice;
import app.loculus.core.selection.Pattern;
import app.loculus.core.selection.Selection;
import java.util.List;
import java.util.function.UnaryOperator;

/** What a group holds. Which units that are now is worked out in the show. */
public sealed interface GroupContent {

    /** How its units are asked for. */
    Choice choice();

    /** Whether it follows what it was made from. */
    boolean recipe();

    /** The same content when what it names has changed. @param how what becomes of a way to ask */
    GroupContent refitted(UnaryOperator<Choice> how);

    /** A fixed order of steps. */
    record Fixed(Selection selection) implements GroupContent {
        @Override
        public Choice choice() {
            return new Choice.Units(selection);
        }

        @Override
        public boolean recipe() {
            return false;
        }

        @Override
        public GroupContent refitted(UnaryOperator<Choice> how) {
            return how.apply(choice()) instanceof Choice.Units units ? new Fixed(units.selection()) : this;
        }
    }

    /** What patterns take of a base, whatever that is by then. */
    record Recipe(Choice base, List<Pattern> patterns) implements GroupContent {

        public Recipe {
            patterns = List.copyOf(patterns);
        }

        @Override
        public Choice choice() {
            return patterns.isEmpty() ? base : new Choice.Arranged(base, patterns);
        }

        @Override
        public boolean recipe() {
            return true;
        }

        @Override
        public GroupContent refitted(UnaryOperator<Choice> how) {
            return new Recipe(how.apply(base), patterns);
        }
    }
}
