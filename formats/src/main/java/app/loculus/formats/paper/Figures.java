package app.loculus.formats.paper;

import app.loculus.core.paper.Figure;
import app.loculus.core.paper.Figure.Dot;
import app.loculus.formats.paper.Faces.Style;
import java.awt.Color;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Draws figures: plans in metres, universes in slots. */
final class Figures {

    /** Slots in one line of a map. */
    private static final int ACROSS = 32;

    private static final int SLOTS = 512;
    private static final double SLOT_HIGH = 13;
    private static final double PLAN_HIGH = 150;

    /** Of several beside each other, with a line for what each is. */
    private static final double SMALL_HIGH = 112;

    private static final double CAPTION = 14;

    /** Metres around what is drawn. */
    private static final double AROUND = 1.5;

    private static final Color CLAIMED = new Color(0xE2E2E2);
    private static final Color SHARED = new Color(0xA8A8A8);

    private final Paper paper;

    Figures(Paper paper) {
        this.paper = paper;
    }

    static double height(Figure figure, double wide) {
        if (figure instanceof Figure.Plans) {
            return SMALL_HIGH;
        }
        return figure instanceof Figure.SlotMap
                ? SLOTS / ACROSS * SLOT_HIGH + 14
                : figure instanceof Figure.Plan plan && !plan.dots().isEmpty() ? PLAN_HIGH : 0;
    }

    /** What it is, for who cannot see it. */
    static String words(Figure figure) {
        if (figure instanceof Figure.SlotMap map) {
            return "The slots of universe " + map.universe() + ": "
                    + map.spans().size() + " claims";
        }
        if (figure instanceof Figure.Plan plan) {
            long strong = plan.dots().stream().filter(Dot::strong).count();
            return "The stage from above: " + plan.dots().size() + " fixtures"
                    + (strong > 0 ? ", " + strong + " of them filled" : "")
                    + (plan.marks().isEmpty() ? "" : ", " + plan.marks().size() + " marks");
        }
        if (figure instanceof Figure.Plans plans) {
            return plans.all().stream()
                    .map(c -> c.caption() + ": " + words(c.plan()))
                    .collect(Collectors.joining(". "));
        }
        return "Labels";
    }

    void draw(Figure figure, double x, double y, double wide, double high) throws IOException {
        if (figure instanceof Figure.SlotMap map) {
            slots(map, x, y + high, wide);
        } else if (figure instanceof Figure.Plan plan && !plan.dots().isEmpty()) {
            plan(plan, x, y, wide, high);
        } else if (figure instanceof Figure.Plans plans) {
            double each = wide / Figure.PLANS_ACROSS;
            for (int i = 0; i < plans.all().size(); i++) {
                Figure.Captioned c = plans.all().get(i);
                String caption = paper.faces().cut(c.caption(), Style.BOLD, each - 8, 8);
                paper.text(caption, x + i * each, y + high - CAPTION + 4, Style.BOLD, 8);
                plan(c.plan(), x + i * each, y, each - 8, high - CAPTION);
            }
        }
    }

    private void slots(Figure.SlotMap map, double x, double top, double wide) throws IOException {
        double number = 26;
        double slot = (wide - number) / ACROSS;
        int[] claims = new int[SLOTS + 1];
        map.spans().forEach(s -> {
            for (int i = s.from(); i <= Math.min(s.to(), SLOTS); i++) {
                claims[i]++;
            }
        });
        for (int line = 0; line < SLOTS / ACROSS; line++) {
            double y = top - (line + 1) * SLOT_HIGH;
            int from = line * ACROSS + 1;
            paper.text(String.valueOf(from), x, y + 3.5, Style.TEXT, 7);
            for (int i = from; i < from + ACROSS; ) {
                int end = i;
                while (end + 1 < from + ACROSS
                        && claims[end + 1] > 1 == claims[i] > 1
                        && claims[end + 1] > 0 == claims[i] > 0) {
                    end++;
                }
                if (claims[i] > 0) {
                    Color fill = claims[i] > 1 ? SHARED : CLAIMED;
                    paper.fill(x + number + (i - from) * slot, y, (end - i + 1) * slot, SLOT_HIGH, fill);
                }
                i = end + 1;
            }
            paper.line(x + number, y, x + wide, y, .3, .6f);
        }
        paper.line(x + number, top, x + wide, top, .3, .6f);
        for (Figure.Span s : map.spans()) {
            int at = s.from() - 1;
            double left = x + number + at % ACROSS * slot;
            double y = top - (at / ACROSS + 1) * SLOT_HIGH;
            paper.line(left, y, left, y + SLOT_HIGH, .7, 0);
            int room = Math.min(s.to(), (at / ACROSS + 1) * ACROSS) - at;
            if (paper.faces().width(s.label(), Style.TEXT, 6.5) <= room * slot - 2) {
                paper.text(s.label(), left + 1.5, y + 4, Style.TEXT, 6.5);
            }
        }
    }

    private void plan(Figure.Plan plan, double x, double y, double wide, double high) throws IOException {
        List<Dot> all =
                Stream.concat(plan.dots().stream(), plan.marks().stream()).toList();
        double minX = all.stream().mapToDouble(Dot::x).min().orElse(0) - AROUND;
        double maxX = all.stream().mapToDouble(Dot::x).max().orElse(0) + AROUND;
        double minY = all.stream().mapToDouble(Dot::y).min().orElse(0) - AROUND;
        double maxY = all.stream().mapToDouble(Dot::y).max().orElse(0) + AROUND;
        double scale = Math.min(wide / (maxX - minX), (high - 4) / (maxY - minY));
        double left = x + (wide - (maxX - minX) * scale) / 2;
        double bottom = y + (high - (maxY - minY) * scale) / 2;
        paper.box(left, bottom, (maxX - minX) * scale, (maxY - minY) * scale, Optional.empty());
        boolean any = plan.dots().stream().anyMatch(Dot::strong);
        for (Dot d : plan.dots()) {
            paper.dot(
                    left + (d.x() - minX) * scale,
                    bottom + (d.y() - minY) * scale,
                    d.strong() || !any ? 2.4 : 1.6,
                    d.strong());
        }
        for (Dot m : plan.marks()) {
            double mx = left + (m.x() - minX) * scale;
            double my = bottom + (m.y() - minY) * scale;
            paper.line(mx - 4, my, mx + 4, my, 1, 0);
            paper.line(mx, my - 4, mx, my + 4, 1, 0);
            paper.text(m.label(), mx + 5, my + 2, Style.BOLD, 7.5);
        }
    }
}
