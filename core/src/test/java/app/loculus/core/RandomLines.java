package app.loculus.core;

import app.loculus.core.patch.Clash;
import app.loculus.core.show.Outcome;
import app.loculus.core.show.Show;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Types random but sensible lines; refused ones leave the show as it is. */
public final class RandomLines {

    private final Random random;
    private final List<String> said = new ArrayList<>();
    private final List<Outcome> outcomes = new ArrayList<>();

    public RandomLines(long seed) {
        random = new Random(seed);
    }

    public List<String> said() {
        return said;
    }

    /** Outcomes that were accepted and changed something. */
    public List<Outcome> outcomes() {
        return outcomes;
    }

    public Show step(Show show) {
        String line = line();
        Outcome outcome = Rig.say(show, line);
        said.add((outcome.refused() ? "(refused) " : "") + line);
        if (!outcome.refused() && !outcome.delta().isEmpty()) {
            outcomes.add(outcome);
        }
        return outcome.show();
    }

    private String line() {
        int number = 1 + random.nextInt(70);
        String range = number + " thru " + (1 + random.nextInt(70));
        String address = 1 + random.nextInt(2) + "." + (1 + random.nextInt(512));
        String[] types = {"Dimmer / 1-slot", "Wash / extended", "Par / rgb", "Batten / cells"};
        String type = types[random.nextInt(types.length)];
        String[] lines = {
            "patch " + number + " as \"" + type + "\" at " + address,
            "patch " + range + " as \"" + type + "\" at " + address + " gap " + random.nextInt(3),
            "patch " + number + " at " + address,
            "patch " + number + " at " + address + " also",
            "patch " + number + " at " + address + " share",
            "patch " + number + " at " + address + " take over",
            "patch " + range + " one to one at " + address,
            "patch " + range + " as \"Par / rgb\" at " + address + " by "
                    + (random.nextBoolean() ? "type" : "position"),
            "patch " + range + " as \"Par / rgb\" at " + address + " over 2 universes take over",
            "renumber " + range + " from " + (1 + random.nextInt(200)) + " by " + (1 + random.nextInt(3)),
            "swap " + number + " with " + (1 + random.nextInt(70)),
            "shift " + range + " by " + (random.nextInt(60) - 30),
            "shift " + range + " to " + address,
            "compact universe " + (1 + random.nextInt(3)),
            "change " + number + " to \"" + type + "\"",
            "change " + range + " to \"" + type + "\" at " + address + " take over",
            "change " + number + " to \"" + type + "\" share",
            "mark " + range + " dead \"no light\"",
            "note " + number + " \"spare lamp\"",
            "universe " + (1 + random.nextInt(3)) + " name \"Bridge\" priority " + random.nextInt(250),
            "universe " + (1 + random.nextInt(3)) + " number " + (1 + random.nextInt(5)),
            "universe " + (1 + random.nextInt(3)) + (random.nextBoolean() ? " to rig" : " to art-net as \"Here\""),
            "universe " + (1 + random.nextInt(3)) + " sync " + (random.nextBoolean() ? "off" : "7000"),
            "hang " + range + " invert " + (random.nextBoolean() ? "pan tilt off" : "tilt"),
            "gel " + range + (random.nextBoolean() ? " off" : " xy 0.45, 0.41 at 60"),
            "unpatch " + range,
            "delete " + number,
            range,
            range + " every 2 at " + random.nextInt(101),
            "all at 20 thru 80",
            "11 thru 14 pan at " + (random.nextInt(500) - 250),
            "all colour xy 0." + (20 + random.nextInt(25)) + ", 0." + (20 + random.nextInt(25)),
            "record colour \"Some\"",
            "record colour " + (1 + random.nextInt(3)) + " \"Kept\" per type merge",
            "record group \"Some\"",
            "record group " + (1 + random.nextInt(4)) + " as recipe replace",
            range + " where " + (random.nextBoolean() ? "not " : "") + "lit or unpatched",
            "type \"Wash\" every " + (1 + random.nextInt(4)) + " from " + (1 + random.nextInt(4)),
            "group " + (1 + random.nextInt(4)) + " & " + range,
            "(all cells sort by across) - " + number,
            "all columns within " + random.nextInt(3),
            "edit group " + (1 + random.nextInt(4)) + " + " + number + " - " + (1 + random.nextInt(70)),
            "move group " + (1 + random.nextInt(4)) + " to " + (1 + random.nextInt(6)),
            "freeze group " + (1 + random.nextInt(4)),
            "delete group " + (1 + random.nextInt(4)),
            "starter groups",
            "previous",
            "whole",
            "shuffle seed " + random.nextInt(9),
            "group 1 colour 1",
            "all colour " + (1 + random.nextInt(3)),
            "delete colour " + (1 + random.nextInt(3)),
            "delete colour " + (1 + random.nextInt(3)) + " as values",
            "record colour " + (1 + random.nextInt(4)) + " keep references merge",
            "record combined " + (1 + random.nextInt(3)) + " replace",
            "record combined " + (1 + random.nextInt(3)) + " merge without Pan",
            "record position 1 at mark \"Spot\" merge",
            "record position " + (1 + random.nextInt(3)) + " replace",
            "all position " + (1 + random.nextInt(3)),
            range + " combined " + (1 + random.nextInt(3)),
            range + " colour 1 thru 2",
            "take out " + range + " from colour " + (1 + random.nextInt(3)),
            "tidy colour " + (1 + random.nextInt(3)),
            "narrow colour " + (1 + random.nextInt(3)) + (random.nextBoolean() ? " per type" : " per fixture"),
            "take colour 1 into colour " + (1 + random.nextInt(3)),
            "fill colour " + (1 + random.nextInt(3)) + " for type \"Wash\"",
            "fill colour 1 + 2 for type \"Par / rgb\"",
            "fill colour " + (1 + random.nextInt(3)) + " for " + range,
            "fill position 1 for type \"Spot\" at home",
            "flip " + range + " in position " + (1 + random.nextInt(3)),
            "flip " + range + " in cue " + (1 + random.nextInt(3)),
            "tidy cue " + (1 + random.nextInt(3)) + " into palettes",
            "update colour " + (1 + random.nextInt(3)),
            "copy colour " + (1 + random.nextInt(3)) + " to " + (1 + random.nextInt(6)),
            "move colour " + (1 + random.nextInt(3)) + " to " + (1 + random.nextInt(6)),
            "tint colour " + (1 + random.nextInt(3)) + " teal",
            "time colour " + (1 + random.nextInt(3)) + " at " + random.nextInt(5),
            "mark \"Spot\" at " + (random.nextInt(9) - 4) + ", 3, " + random.nextInt(3),
            "realign " + (random.nextBoolean() ? "lights " : "") + "0,0,0 to 0.1," + random.nextInt(3) + ",0",
            "update colour " + (1 + random.nextInt(3)) + " per type",
            "page colour \"Run " + random.nextInt(2) + "\" from " + (1 + random.nextInt(200)),
            "delete page colour \"Run 0\"",
            "record cue",
            "record cue " + (1 + random.nextInt(4)) + (random.nextBoolean() ? " merge in 2" : " replace out 3 wait 1"),
            "record cue all",
            "record cue 1 of list 2",
            "list 2 \"Other\" " + (random.nextBoolean() ? "as chase" : "standing alone"),
            "cue 1 thru 4 in " + random.nextInt(5) + " next 1 after end",
            "move cue " + (1 + random.nextInt(4)) + " before " + (1 + random.nextInt(4)),
            "copy cue 1 to cue",
            "split cue " + (1 + random.nextInt(4)) + " with colour",
            "take out " + range + " from cue " + (1 + random.nextInt(3)),
            "renumber cues from 1",
            "delete cue " + (1 + random.nextInt(6)),
            "delete list 2",
            "record submaster " + (1 + random.nextInt(3)) + " replace",
            "move submaster 1 to 2",
            "delete submaster " + (1 + random.nextInt(3)),
            "record look",
            "copy submaster 1 to look",
            "delete look 1",
            "tidy cue 1",
            range + " sine of dimmer at 20 thru 80 offset round rate " + random.nextInt(90),
            "all circle of position size " + random.nextInt(60) + " offset 0 thru 100 mirror",
            "group 1 run colour 1 thru 3 rate 10 crossfade " + random.nextInt(101),
            range + " random of dimmer size 40 seed " + random.nextInt(9) + " and ramp of zoom at 10 thru 90",
            "record effect " + (1 + random.nextInt(4)) + (random.nextBoolean() ? " replace" : " \"Swell\""),
            range + " effect " + (1 + random.nextInt(4)) + (random.nextBoolean() ? " rate 60" : " size 10"),
            "edit effect " + (1 + random.nextInt(4)) + " rate " + random.nextInt(200) + " offset round 2 blocks of 2",
            "edit effect " + (1 + random.nextInt(4)) + " square size 30",
            "edit effect " + (1 + random.nextInt(4)) + " also circle of position size " + random.nextInt(60),
            "edit effect " + (1 + random.nextInt(4)) + " part " + (1 + random.nextInt(3))
                    + (random.nextBoolean() ? " off" : " size 12"),
            "delete effect " + (1 + random.nextInt(4)) + (random.nextBoolean() ? " as values" : ""),
            "copy effect 1 to " + (1 + random.nextInt(4)),
            "move effect 1 to " + (1 + random.nextInt(4)),
            range + " effects off",
            "all where uses effect " + (1 + random.nextInt(4)),
            "starter effects",
            "open cue " + (1 + random.nextInt(3)),
            "update cue " + (1 + random.nextInt(3)),
            "close look",
            "delete colour 1 + 2 as values",
            "move colour 1 + 2 to " + (1 + random.nextInt(4)),
            "delete mark \"Spot\"" + (random.nextBoolean() ? " as values" : ""),
            "mark \"Met " + random.nextInt(3) + "\" from position " + (1 + random.nextInt(3)),
            range + " aim at 0, 3, 0 fan " + random.nextInt(4),
            range + " red at " + random.nextInt(101),
            range + " release " + (random.nextBoolean() ? "colour" : "Dimmer"),
            range + " nudge colour by 0.01, 0.002",
            range + " nudge pan by " + (random.nextInt(90) - 45) + ", tilt by 3",
            range + " nudge red by 4",
            range + " flip",
            range + " gobo next",
            "all Color1 slot previous",
            range + " zoom at home",
            range + " invert " + (random.nextBoolean() ? "pan" : "Dimmer"),
            "rename group 1 \"Other\"",
            "record highlight" + (random.nextBoolean() ? " per type" : ""),
            "highlight rest " + random.nextInt(101),
            "highlight " + (random.nextBoolean() ? "on" : "off"),
            "home " + (random.nextBoolean() ? "colour" : ""),
            "next",
            "mirror",
            "place " + range + " at -3,2,6 thru 3,2,6",
            "name " + range + " \"Unit #\"",
            "clear",
            random.nextInt(4) == 0 ? "clear all" : "all mirror at 10 thru 90",
        };
        return lines[random.nextInt(lines.length)];
    }

    /** Whether every overlap in the show was allowed on purpose. */
    public static boolean onlySharedOverlaps(Show show) {
        return show.patch().clashes().stream().allMatch(Clash::shared);
    }
}
