package app.loculus.app.api.shows;

import app.loculus.app.store.ShowStore.OnPlan;
import app.loculus.core.unit.Decimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** A small picture of a show's plan as SVG: a dot for each fixture, its colour by where it hangs, upstage at the top. */
final class PlanPicture {

    /** Pixels. */
    private static final int WIDTH = 176;

    private static final int HEIGHT = 88;
    private static final int MARGIN = 10;
    /** Of more fixtures than these only every second, third … is drawn. */
    private static final int MOST_DOTS = 1500;
    /** Metres that are seen at least, so that three fixtures do not stand at the edges. */
    private static final double LEAST = 8;

    /** Light on a dark stage, one after another for each position. */
    private static final List<String> TINTS =
            List.of("#c9a46a", "#5fc7b2", "#7d8be0", "#e2a05a", "#b98bd0", "#8fb9d6", "#d8d2c2");

    private PlanPicture() {}

    static String of(List<OnPlan> fixtures) {
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 " + WIDTH + " "
                + HEIGHT + "\"><rect width=\"" + WIDTH + "\" height=\"" + HEIGHT + "\" fill=\"#10131b\"/>");
        if (!fixtures.isEmpty()) {
            draw(svg, thinned(fixtures));
        }
        return svg.append("</svg>").toString();
    }

    private static List<OnPlan> thinned(List<OnPlan> fixtures) {
        int step = (fixtures.size() + MOST_DOTS - 1) / MOST_DOTS;
        List<OnPlan> some = new ArrayList<>();
        for (int i = 0; i < fixtures.size(); i += step) {
            some.add(fixtures.get(i));
        }
        return some;
    }

    private static void draw(StringBuilder svg, List<OnPlan> fixtures) {
        double left = fixtures.stream().mapToDouble(OnPlan::x).min().orElse(0);
        double right = fixtures.stream().mapToDouble(OnPlan::x).max().orElse(0);
        double near = fixtures.stream().mapToDouble(OnPlan::y).min().orElse(0);
        double far = fixtures.stream().mapToDouble(OnPlan::y).max().orElse(0);
        double scale = Math.min(
                (WIDTH - 2 * MARGIN) / Math.max(LEAST, right - left),
                (HEIGHT - 2 * MARGIN) / Math.max(LEAST / 2, far - near));
        double middleX = WIDTH / 2.0 - scale * (left + right) / 2;
        double middleY = HEIGHT / 2.0 + scale * (near + far) / 2;
        double radius = fixtures.size() > 200 ? 0.9 : fixtures.size() > 60 ? 1.5 : 2;
        Map<String, List<OnPlan>> positions = new LinkedHashMap<>();
        fixtures.forEach(f ->
                positions.computeIfAbsent(f.position(), p -> new ArrayList<>()).add(f));
        int at = 0;
        for (List<OnPlan> hung : positions.values()) {
            svg.append("<g fill=\"").append(TINTS.get(at++ % TINTS.size())).append("\">");
            for (OnPlan f : hung) {
                svg.append("<circle cx=\"")
                        .append(Decimal.text(middleX + scale * f.x(), 1))
                        .append("\" cy=\"")
                        .append(Decimal.text(middleY - scale * f.y(), 1))
                        .append("\" r=\"")
                        .append(radius)
                        .append("\"/>");
            }
            svg.append("</g>");
        }
    }
}
