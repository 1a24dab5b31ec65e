package app.loculus.app.api.shows;

import static org.assertj.core.api.Assertions.assertThat;

import app.loculus.app.store.ShowStore.OnPlan;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.IntStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

class PlanPictureTest {

    private static final double WIDTH = 176;
    private static final double HEIGHT = 88;

    private static NodeList dots(List<OnPlan> fixtures) throws Exception {
        byte[] svg = PlanPicture.of(fixtures).getBytes(StandardCharsets.UTF_8);
        return DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg))
                .getElementsByTagName("circle");
    }

    private static double of(NodeList dots, int at, String what) {
        return Double.parseDouble(((Element) dots.item(at)).getAttribute(what));
    }

    @Test
    void a_show_in_which_nothing_is_placed_is_a_dark_stage() throws Exception {
        assertThat(dots(List.of()).getLength()).isZero();
    }

    @Test
    void upstage_is_at_the_top_and_the_right_of_the_audience_on_the_right() throws Exception {
        NodeList dots = dots(List.of(new OnPlan(1, "Front", -5, 0), new OnPlan(2, "Back <&>", 5, 4)));
        assertThat(of(dots, 1, "cx")).isGreaterThan(of(dots, 0, "cx"));
        assertThat(of(dots, 1, "cy")).isLessThan(of(dots, 0, "cy"));
        assertThat(((Element) dots.item(0).getParentNode()).getAttribute("fill"))
                .isNotEqualTo(((Element) dots.item(1).getParentNode()).getAttribute("fill"));
    }

    @Test
    void all_of_it_is_within_the_picture_however_far_it_reaches() throws Exception {
        for (double reach : new double[] {0, 0.1, 3, 40, 4000}) {
            NodeList dots = dots(List.of(
                    new OnPlan(1, "", -reach, -reach), new OnPlan(2, "", reach, reach), new OnPlan(3, "", 0, reach)));
            for (int i = 0; i < dots.getLength(); i++) {
                assertThat(of(dots, i, "cx")).as("%s m", reach).isBetween(0.0, WIDTH);
                assertThat(of(dots, i, "cy")).as("%s m", reach).isBetween(0.0, HEIGHT);
            }
        }
    }

    @Test
    void of_a_very_large_rig_some_are_drawn() throws Exception {
        List<OnPlan> many = IntStream.range(0, 10_000)
                .mapToObj(i -> new OnPlan(i, "Bridge " + i % 9, i % 100, i / 100.0))
                .toList();
        assertThat(dots(many).getLength()).isBetween(1_000, 1_500);
    }
}
