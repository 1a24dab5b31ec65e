package app.loculus.core.paper;

import java.util.List;

/** What is drawn on paper beside rows. */
public sealed interface Figure {

    /**
     * The stage from above, in metres: x to the audience's right, y upstage.
     *
     * @param dots fixtures; @param marks places
     */
    record Plan(List<Dot> dots, List<Dot> marks) implements Figure {

        public Plan {
            dots = List.copyOf(dots);
            marks = List.copyOf(marks);
        }
    }

    /** Small plans beside each other, at most {@link #PLANS_ACROSS}. */
    record Plans(List<Captioned> all) implements Figure {

        public Plans {
            all = List.copyOf(all);
        }
    }

    int PLANS_ACROSS = 3;

    record Captioned(String caption, Plan plan) {}

    /** @param label beside it, may be empty; @param strong whether it is one of those that are meant */
    record Dot(double x, double y, String label, boolean strong) {}

    /** The 512 slots of a universe. @param spans by slot, one overlapping another where they are shared */
    record SlotMap(int universe, List<Span> spans) implements Figure {

        public SlotMap {
            spans = List.copyOf(spans);
        }
    }

    /** @param from first slot, from 1; @param to last slot; @param label fixture number, or several */
    record Span(int from, int to, String label) {}

    /** Labels to be cut or peeled off, row by row. */
    record Labels(List<Label> all) implements Figure {

        public Labels {
            all = List.copyOf(all);
        }
    }

    /** @param large what is read from afar; @param lines below it, one or two */
    record Label(String large, List<String> lines) {

        public Label {
            lines = List.copyOf(lines);
        }
    }
}
