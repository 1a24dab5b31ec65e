package app.loculus.core.group;

import app.loculus.core.selection.Selection;
import java.util.function.UnaryOperator;

/** What a group holds. */
public sealed interface GroupContent {

    /** The units it stands for now, in order. */
    Selection selection();

    /** The same content after units have left the show. */
    GroupContent filtered(UnaryOperator<Selection> keep);

    /** A fixed order of steps. */
    record Fixed(Selection selection) implements GroupContent {
        @Override
        public GroupContent filtered(UnaryOperator<Selection> keep) {
            return new Fixed(keep.apply(selection));
        }
    }
}
