package app.loculus.core.edit.starter;

import app.loculus.core.colour.Chromaticity;
import app.loculus.core.colour.Whites;
import app.loculus.core.unit.Kelvin;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Names and places of the starter colours, in the order in which they are offered; whites first. */
final class StarterColours {

    /** By CIE 1931 x and y, chosen around the circle for this list; whites are worked out by temperature. */
    private static final String COLOURS = """
            Red,0.680,0.315
            Scarlet,0.640,0.340
            Orange,0.580,0.390
            Amber,0.545,0.415
            Gold,0.500,0.430
            Straw,0.440,0.430
            Yellow,0.440,0.490
            Lime,0.370,0.530
            Leaf green,0.290,0.600
            Green,0.200,0.680
            Sea green,0.200,0.520
            Turquoise,0.200,0.400
            Cyan,0.200,0.320
            Sky blue,0.225,0.265
            Azure,0.190,0.190
            Blue,0.150,0.080
            Deep blue,0.155,0.050
            Indigo,0.190,0.085
            Violet,0.240,0.120
            Purple,0.300,0.160
            Magenta,0.390,0.200
            Rose,0.450,0.260
            Pink,0.400,0.300
            Salmon,0.430,0.350
            Lavender,0.285,0.260
            """;

    private static final List<Integer> WHITES = List.of(1900, 2700, 3200, 4000, 5600, 6500, 9000);

    static final Map<String, Chromaticity> ALL = read();

    private StarterColours() {}

    private static Map<String, Chromaticity> read() {
        Map<String, Chromaticity> all = new LinkedHashMap<>();
        WHITES.forEach(kelvin -> all.put("White " + kelvin + " K", Whites.of(Kelvin.of(kelvin))));
        COLOURS.lines()
                .map(l -> l.split(","))
                .forEach(l -> all.put(l[0], new Chromaticity(Double.parseDouble(l[1]), Double.parseDouble(l[2]))));
        return all;
    }
}
