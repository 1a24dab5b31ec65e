package app.loculus.core.profile.words;

import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.AttributeDefinition;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The open fixture standard's common attributes with what is usual for each, and the words charts use for them.
 *
 * <p>Source: DIN SPEC 15800, annex of attributes: name, feature, physical unit. Labels, ranges and words are ours.
 */
public final class StandardAttributes {

    /**
     * One attribute as a chart may mean it.
     *
     * @param from usual physical value at the lowest DMX value; @param to at the highest
     */
    public record Usual(Attribute attribute, String pretty, String feature, String unit, double from, double to) {

        public AttributeDefinition definition() {
            return new AttributeDefinition(attribute, pretty, feature, unit);
        }
    }

    /** Name | label | feature | unit | from | to | words; {@code #} stands for a number from 1. */
    private static final String TABLE = """
            Dimmer|Dim|Dimmer.Dimmer|LuminousIntensity|0|1|dimmer,dim,intensity,level,master dimmer,int
            Pan|Pan|Position.PanTilt|Angle|-270|270|pan,x axis
            Tilt|Tilt|Position.PanTilt|Angle|-135|135|tilt,y axis
            PanRotate|Pan Rot|Position.PanTilt|AngularSpeed|-360|360|pan rotation,endless pan
            TiltRotate|Tilt Rot|Position.PanTilt|AngularSpeed|-360|360|tilt rotation,endless tilt
            ColorAdd_R|R|Color.RGB|ColorComponent|0|1|red,r
            ColorAdd_G|G|Color.RGB|ColorComponent|0|1|green,g
            ColorAdd_B|B|Color.RGB|ColorComponent|0|1|blue,b
            ColorAdd_W|W|Color.RGB|ColorComponent|0|1|white,w
            ColorAdd_RY|Amber|Color.RGB|ColorComponent|0|1|amber,a
            ColorAdd_UV|UV|Color.RGB|ColorComponent|0|1|uv,ultraviolet
            ColorAdd_GY|Lime|Color.RGB|ColorComponent|0|1|lime
            ColorAdd_GC|Mint|Color.RGB|ColorComponent|0|1|mint,turquoise
            ColorAdd_BM|Indigo|Color.RGB|ColorComponent|0|1|indigo,violet
            ColorAdd_C|Cyan LED|Color.RGB|ColorComponent|0|1|cyan led,cyan emitter
            ColorAdd_WW|Warm|Color.RGB|ColorComponent|0|1|warm white,warm,ww
            ColorAdd_CW|Cool|Color.RGB|ColorComponent|0|1|cold white,cool white,cool,cold,cw
            ColorSub_C|C|Color.RGB|ColorComponent|0|1|cyan,c
            ColorSub_M|M|Color.RGB|ColorComponent|0|1|magenta,m
            ColorSub_Y|Y|Color.RGB|ColorComponent|0|1|yellow,y
            CTO|CTO|Color.Color|Temperature|6500|2700|cto,colour temperature,color temperature,temperature
            CTC|CTC|Color.Color|Temperature|2700|8000|ctc,cct
            CTB|CTB|Color.Color|Temperature|3200|8000|ctb
            Tint|Tint|Color.Color|None|-1|1|tint,green magenta
            Color#|Col#|Color.Color|None|0|1|colour wheel,color wheel,colour,color,scroller,scroll
            ColorMacro#|Col Mac#|Color.Color|None|0|1|colour macro,color macro,colour preset,color preset,colour effects,color effects
            Gobo#|G#|Gobo.Gobo|None|0|1|gobo wheel,gobo,rotating gobo,static gobo
            Gobo#Pos|G# Pos|Gobo.Gobo|Angle|-180|180|gobo index,gobo position,gobo rotation index
            Gobo#PosRotate|G# Rot|Gobo.Gobo|AngularSpeed|-180|180|gobo rotation,gobo rotate,gobo spin
            AnimationWheel#|Anim#|Gobo.Gobo|None|0|1|animation wheel,animation
            AnimationWheel#PosRotate|Anim# Rot|Gobo.Gobo|AngularSpeed|-180|180|animation rotation,animation speed
            Shutter#|Sh#|Beam.Beam|None|0|1|shutter
            Shutter#Strobe|Strobe#|Beam.Beam|Frequency|0.5|20|strobe,shutter strobe,flash
            StrobeDuration|Str Dur|Beam.Beam|Time|0|1|strobe duration,flash duration
            Iris|Iris|Beam.Beam|Percent|0|1|iris
            Frost#|Frost#|Beam.Beam|Percent|0|1|frost,diffusion
            Prism#|Prism#|Beam.Beam|None|0|1|prism
            Prism#PosRotate|Prism# Rot|Beam.Beam|AngularSpeed|-180|180|prism rotation,prism rotate,prism spin
            Prism#Pos|Prism# Pos|Beam.Beam|Angle|-180|180|prism index,prism position
            Effects#|Fx#|Beam.Beam|None|0|1|effect,effects
            Effects#Rate|Fx# Rate|Beam.Beam|Percent|0|1|effect speed,effects speed,effect rate
            Zoom|Zoom|Focus.Focus|Angle|8|50|zoom,beam angle
            Focus#|Focus#|Focus.Focus|None|0|1|focus,edge
            Blade#A|Blade#A|Shapers.Shapers|Percent|0|1|blade,blade a,shaper
            Blade#B|Blade#B|Shapers.Shapers|Percent|0|1|blade b
            Blade#Rot|Blade# Rot|Shapers.Shapers|Angle|-45|45|blade rotation,blade angle
            ShaperRot|Shaper Rot|Shapers.Shapers|Angle|-45|45|shaper rotation,frame rotation,framing rotation
            Control#|Ctrl#|Control.Control|None|0|1|control,function,special,settings,reset,lamp control,reserved,no function,unused
            DimmerMode|Dim Mode|Control.Control|None|0|1|dimmer mode
            DimmerCurve|Dim Curve|Control.Control|None|0|1|dimmer curve,curve
            ColorMixMode|Mix Mode|Control.Control|None|0|1|colour mode,color mode,mode,colour mix mode,color mix mode,crossfade
            PositionMSpeed|P/T Speed|Control.Control|None|0|1|pan tilt speed,movement speed,speed,vector speed,p/t speed
            Fan#|Fan#|Control.Control|Percent|0|1|fan,fan speed
            Fog#|Fog#|Control.Control|Percent|0|1|fog,smoke
            Haze#|Haze#|Control.Control|Percent|0|1|haze
            """;

    private static final Pattern NUMBERED = Pattern.compile("(.*?)\\s*(\\d{1,2})(?:\\s+(.*))?");

    private record Row(
            String name,
            Pattern pattern,
            String pretty,
            String feature,
            String unit,
            double from,
            double to,
            List<String> words) {

        Usual usual(String number) {
            return new Usual(
                    new Attribute(name.replace("#", number)),
                    pretty.replace("#", number.equals("1") ? "" : number),
                    feature,
                    unit,
                    from,
                    to);
        }
    }

    private static final List<Row> ROWS =
            TABLE.lines().map(StandardAttributes::row).toList();

    private StandardAttributes() {}

    private static Row row(String line) {
        String[] c = line.split("\\|");
        return new Row(
                c[0],
                Pattern.compile(c[0].replace("#", "(\\d+)")),
                c[1],
                c[2],
                c[3],
                Double.parseDouble(c[4]),
                Double.parseDouble(c[5]),
                Arrays.asList(c[6].split(",")));
    }

    /** What is usual for an attribute; an unknown one is a control. */
    public static Usual of(Attribute attribute) {
        return find(attribute).orElseGet(() -> new Usual(attribute, attribute.name(), "Control.Control", "None", 0, 1));
    }

    private static Optional<Usual> find(Attribute attribute) {
        for (Row row : ROWS) {
            Matcher m = row.pattern().matcher(attribute.name());
            if (m.matches()) {
                return Optional.of(row.usual(m.groupCount() > 0 ? m.group(1) : "1"));
            }
        }
        return Optional.empty();
    }

    /** Every attribute of the table, the numbered ones with 1 and 2. */
    public static List<Attribute> all() {
        List<Attribute> all = new ArrayList<>();
        ROWS.forEach(r -> {
            all.add(r.usual("1").attribute());
            if (r.name().contains("#")) {
                all.add(r.usual("2").attribute());
            }
        });
        return all;
    }

    /** What the words of a chart may mean, the likeliest first; empty when nothing comes near. */
    public static List<Attribute> meant(String label) {
        String plain = label.toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9/ ]+", " ")
                .replaceAll("\\s+", " ")
                .strip();
        String number = "1";
        Matcher m = NUMBERED.matcher(plain);
        if (m.matches() && !m.group(1).isBlank()) {
            number = m.group(2);
            plain = (m.group(1) + (m.group(3) == null ? "" : " " + m.group(3))).strip();
        }
        Map<Attribute, Integer> scores = new LinkedHashMap<>();
        for (Row row : ROWS) {
            int score = score(row, plain);
            if (score > 0) {
                scores.put(row.usual(number).attribute(), score);
            }
        }
        find(new Attribute(label.strip())).ifPresent(usual -> scores.put(usual.attribute(), Integer.MAX_VALUE));
        return scores.entrySet().stream()
                .sorted((a, b) -> b.getValue() - a.getValue())
                .map(Map.Entry::getKey)
                .limit(6)
                .toList();
    }

    /** 1000 for the very words, else by how many letters of the label a phrase covers. */
    private static int score(Row row, String plain) {
        int best = 0;
        for (String words : row.words()) {
            if (plain.equals(words)) {
                best = Math.max(best, 1000);
            } else if (words.length() > 1 && (" " + plain + " ").contains(" " + words + " ")) {
                best = Math.max(best, 100 + words.length());
            } else if (words.length() > 3
                    && plain.length() > 3
                    && (plain.startsWith(words) || words.startsWith(plain))) {
                best = Math.max(best, 10 + Math.min(words.length(), plain.length()));
            }
        }
        return best;
    }
}
