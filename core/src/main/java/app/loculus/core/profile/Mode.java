package app.loculus.core.profile;

import app.loculus.core.colour.Tristimulus;
import app.loculus.core.profile.facts.BeamFacts;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntToLongFunction;
import java.util.stream.Collectors;

/**
 * One way a fixture can be set up: its channels and cells.
 *
 * <p>A part with emitters and no dimmer of its own gets a virtual dimmer: a channel without slots that scales its
 * emitters. It is dark at home, or open at home where the whole fixture has a real dimmer as well. Where a virtual
 * dimmer is added and the profile's home would leave every emitter at zero, home is white instead.
 */
public final class Mode {

    private final String name;
    private final List<Channel> channels;
    private final Cells cells;
    private final Map<Integer, Integer> footprint = new TreeMap<>();
    private final Map<Integer, Map<Attribute, Parameter>> parameters = new TreeMap<>();
    private final Map<Integer, ColourSystems> colours = new TreeMap<>();
    private final Tristimulus lamp;
    private final Set<Attribute> commands;
    private final boolean[] jumps;
    private final Map<Attribute, Tristimulus> emitters;
    private final BeamFacts beam;
    private final List<Relation> relations;
    private final boolean mastered;
    /** Where the masters are that functions here ask for. */
    private final Map<Asked, Integer> masterOf = new HashMap<>();

    private final List<List<Integer>> dimmedBy = new ArrayList<>();
    /** By cell. */
    private final Map<Integer, Map<Attribute, List<Attribute>>> sharing = new HashMap<>();

    /** A mode without relations whose light source is not described. */
    public Mode(
            String name,
            List<Channel> channels,
            int cells,
            Tristimulus lamp,
            Map<Attribute, Tristimulus> emitters,
            Map<String, Wheel> wheels) {
        this(name, channels, Cells.flat(cells), lamp, emitters, wheels, BeamFacts.UNKNOWN, List.of());
    }

    /**
     * @param cells its cells; {@link Cells#NONE} for an ordinary fixture
     * @param lamp light of the lamp without filters, Y = 100
     * @param emitters full light by attribute
     */
    public Mode(
            String name,
            List<Channel> channels,
            Cells cells,
            Tristimulus lamp,
            Map<Attribute, Tristimulus> emitters,
            Map<String, Wheel> wheels,
            BeamFacts beam,
            List<Relation> relations) {
        this.beam = beam;
        this.relations = List.copyOf(relations);
        this.name = name;
        this.cells = cells;
        this.lamp = lamp;
        this.emitters = Map.copyOf(emitters);
        this.channels = VirtualDimmers.added(channels, cells);
        ColourReader reader = new ColourReader(wheels, emitters, lamp);
        for (int cell = 0; cell <= cells.count(); cell++) {
            parameters.put(cell, parametersOf(cell));
            sharing.put(cell, sharingOf(cell));
            colours.put(cell, reader.read(parameters.get(cell), this.channels));
        }
        this.channels.forEach(this::count);
        this.channels.forEach(c -> dimmedBy.add(dimmersOf(c)));
        for (Channel c : this.channels) {
            c.functions()
                    .forEach(f -> f.master()
                            .ifPresent(m -> masterOf.put(new Asked(c.cell(), m.channel()), foundMaster(c.cell(), m))));
        }
        this.mastered = !masterOf.isEmpty();
        this.commands = this.channels.stream()
                .flatMap(c -> c.functions().stream())
                .filter(f -> f.ranges().stream().anyMatch(r -> ControlCommand.is(f.attribute(), r.name())))
                .map(ChannelFunction::attribute)
                .collect(Collectors.toUnmodifiableSet());
        this.jumps = new boolean[this.channels.size()];
        for (int i = 0; i < jumps.length; i++) {
            Channel channel = this.channels.get(i);
            jumps[i] = channel.snap() || channel.functions().stream().anyMatch(f -> commands.contains(f.attribute()));
        }
    }

    /** Attributes that have commands among their ranges. */
    public Set<Attribute> commands() {
        return commands;
    }

    /** Whether what is kept may lie there: everything but a command, which is sent for a moment and by itself. */
    public boolean keeps(FunctionValue place) {
        return commands.isEmpty()
                || !commands.contains(place.function().attribute())
                || ControlCommand.at(place).isEmpty();
    }

    /** Whether a channel jumps where others fade: its profile says so, or a fade might pass through a command. */
    public boolean jumps(int channel) {
        return jumps[channel];
    }

    private record Asked(int cell, String channel) {}

    /**
     * Virtual channels that a channel is multiplied with: those that a relation names; a virtual dimmer without any
     * relation dims the emitters of its cell, or of every cell when it belongs to the whole fixture.
     */
    private List<Integer> dimmersOf(Channel channel) {
        List<Integer> found = new ArrayList<>();
        for (int i = 0; i < channels.size() && !channel.virtual(); i++) {
            Channel master = channels.get(i);
            if (master.virtual() && (related(master) ? related(master, channel) : dims(master, channel))) {
                found.add(i);
            }
        }
        return List.copyOf(found);
    }

    private boolean related(Channel master) {
        return relations.stream().anyMatch(r -> multiplies(r, master));
    }

    private boolean related(Channel master, Channel follower) {
        return relations.stream()
                .anyMatch(r -> multiplies(r, master) && isOf(r.follower(), follower) && meets(r, master, follower));
    }

    /** Of several copies of a master only that of the follower's own part, or of what it lies in. */
    private boolean meets(Relation r, Channel master, Channel follower) {
        return cells.within(follower.cell(), master.cell())
                || channels.stream().filter(c -> isOf(r.master(), c)).count() == 1;
    }

    private static boolean multiplies(Relation r, Channel master) {
        return r.type() == Relation.Type.MULTIPLY && isOf(r.master(), master);
    }

    private static boolean isOf(String key, Channel channel) {
        return channel.plainKey().equals(key);
    }

    private boolean dims(Channel master, Channel follower) {
        return master.attribute().equals(Attribute.DIMMER)
                && follower.attribute().isAdditive()
                && cells.within(follower.cell(), master.cell());
    }

    private void count(Channel channel) {
        channel.offsets().forEach(offset -> footprint.merge(channel.breakNumber(), offset, Math::max));
    }

    /** By attribute; a channel named by its first function goes before one that only has such a function as well. */
    private Map<Attribute, Parameter> parametersOf(int cell) {
        Map<Attribute, Parameter> found = new LinkedHashMap<>();
        for (int i = 0; i < channels.size(); i++) {
            if (channels.get(i).cell() == cell) {
                Channel channel = channels.get(i);
                ChannelFunction home = channel.homeFunction();
                ChannelFunction naming = home.attribute().equals(channel.attribute())
                        ? home
                        : channel.functions().get(0);
                found.putIfAbsent(naming.attribute(), new Parameter(cell, naming.attribute(), i, naming));
            }
        }
        for (int i = 0; i < channels.size(); i++) {
            if (channels.get(i).cell() == cell) {
                ChannelFunction home = channels.get(i).homeFunction();
                found.putIfAbsent(home.attribute(), new Parameter(cell, home.attribute(), i, home));
                for (ChannelFunction function : channels.get(i).functions()) {
                    found.putIfAbsent(function.attribute(), new Parameter(cell, function.attribute(), i, function));
                }
            }
        }
        return found;
    }

    public String name() {
        return name;
    }

    public List<Channel> channels() {
        return channels;
    }

    /** How many cells; 0 when the fixture is not divided. */
    public int cells() {
        return cells.count();
    }

    /** Whether any of its functions works only in some range of another channel. */
    public boolean mastered() {
        return mastered;
    }

    /** Which cell lies in which. */
    public Cells layout() {
        return cells;
    }

    /** Slots by break, breaks in order. */
    public Map<Integer, Integer> footprint() {
        return footprint;
    }

    /** Slots of all breaks together. */
    public int slots() {
        return footprint.values().stream().mapToInt(Integer::intValue).sum();
    }

    public Tristimulus lamp() {
        return lamp;
    }

    /** Full light of each emitter. */
    public Map<Attribute, Tristimulus> emitters() {
        return emitters;
    }

    public BeamFacts beam() {
        return beam;
    }

    public List<Relation> relations() {
        return relations;
    }

    /** Indices of the virtual channels whose value scales this channel. */
    public List<Integer> dimmersOf(int channel) {
        return dimmedBy.get(channel);
    }

    /** What can be set on a cell; 0 for what belongs to the fixture as a whole. */
    public Map<Attribute, Parameter> parameters(int cell) {
        return parameters.getOrDefault(cell, Map.of());
    }

    public Optional<Parameter> parameter(int cell, Attribute attribute) {
        return Optional.ofNullable(parameters(cell).get(attribute));
    }

    public Channel channelOf(Parameter parameter) {
        return channels.get(parameter.channel());
    }

    public ColourSystems colours(int cell) {
        return colours.getOrDefault(cell, ColourSystems.NONE);
    }

    /** All attributes of a cell that drive the same channel as one of them, itself included; none where it has it not. */
    public List<Attribute> sharing(int cell, Attribute attribute) {
        return sharing.getOrDefault(cell, Map.of()).getOrDefault(attribute, List.of());
    }

    private Map<Attribute, List<Attribute>> sharingOf(int cell) {
        Map<Attribute, List<Attribute>> all = new HashMap<>();
        parameters(cell)
                .values()
                .forEach(p -> all.put(
                        p.attribute(),
                        parameters(cell).values().stream()
                                .filter(o -> o.channel() == p.channel())
                                .map(Parameter::attribute)
                                .toList()));
        return all;
    }

    /** The parameter's function that has a range of this name; its usual function when none has. */
    public ChannelFunction functionWith(Parameter parameter, String rangeName) {
        return channelOf(parameter).functions().stream()
                .filter(f -> f.attribute().equals(parameter.attribute())
                        && f.range(rangeName).isPresent())
                .findFirst()
                .orElse(parameter.function());
    }

    /** The function of the parameter's attribute that reaches a physical value; its usual one where none or it does. */
    public ChannelFunction functionReaching(Parameter parameter, double physical) {
        if (parameter.function().reaches(physical)) {
            return parameter.function();
        }
        return channelOf(parameter).functions().stream()
                .filter(f -> f.attribute().equals(parameter.attribute()) && f.reaches(physical))
                .findFirst()
                .orElse(parameter.function());
    }

    /** Where an attribute of the unit lives: on the cell itself, else on the nearest cells inside it that have it. */
    public List<Integer> homesOf(int cell, Attribute attribute) {
        if (parameters(cell).containsKey(attribute)) {
            return List.of(cell);
        }
        return cells.directlyIn(cell).stream()
                .flatMap(inner -> homesOf(inner, attribute).stream())
                .sorted()
                .toList();
    }

    /** Every attribute of the whole fixture and of its cells. */
    public List<Attribute> attributes() {
        return parameters.values().stream()
                .flatMap(p -> p.keySet().stream())
                .distinct()
                .toList();
    }

    /**
     * What mode channels must send so that a function works, by index of the channel: masters, and what those need in
     * their turn. One that is inside the range it has to be in stays where it is.
     *
     * @param cell where the function's own channel is
     * @param now what a channel sends at present, in its resolution
     */
    public Map<Integer, Long> masters(int cell, ChannelFunction function, IntToLongFunction now) {
        Map<Integer, Long> found = new LinkedHashMap<>();
        masters(cell, function, now, found);
        return found;
    }

    private void masters(int cell, ChannelFunction function, IntToLongFunction now, Map<Integer, Long> found) {
        ModeMaster master = function.master().orElse(null);
        int index = master == null ? -1 : masterOf(cell, master);
        if (index < 0 || found.containsKey(index)) {
            return;
        }
        Channel channel = channels.get(index);
        long present = now.applyAsLong(index);
        long needed = master.metBy(present)
                ? present
                : master.chosen(channel.resolution().max());
        found.put(index, needed);
        masters(channel.cell(), working(index, needed, now), now, found);
    }

    /** Index of a master's channel, −1 where there is none: of several copies a cell's own, else the nearest outwards. */
    public int masterOf(int cell, ModeMaster master) {
        Integer known = masterOf.get(new Asked(cell, master.channel()));
        return known == null ? foundMaster(cell, master) : known;
    }

    private int foundMaster(int cell, ModeMaster master) {
        for (int outer : cells.outwards(cell)) {
            for (int i = 0; i < channels.size(); i++) {
                Channel c = channels.get(i);
                if (c.cell() == outer
                        && (c.key().equals(master.channel()) || c.plainKey().equals(master.channel()))) {
                    return i;
                }
            }
        }
        for (int i = 0; i < channels.size(); i++) {
            if (channels.get(i).key().equals(master.channel())) {
                return i;
            }
        }
        return -1;
    }

    /** The function that a value of a channel lies in, those first whose masters are met. @param now as for masters */
    public ChannelFunction working(int channel, long dmx, IntToLongFunction now) {
        return channels.get(channel)
                .functionAt(
                        dmx,
                        f -> f.master()
                                .map(m -> met(channels.get(channel).cell(), m, now))
                                .orElse(true));
    }

    /** Whether a function works: its master is inside the range, and where it stands it works itself. */
    public boolean works(int cell, ChannelFunction function, IntToLongFunction now) {
        return masters(cell, function, now).entrySet().stream()
                .allMatch(m -> now.applyAsLong(m.getKey()) == m.getValue());
    }

    private boolean met(int cell, ModeMaster master, IntToLongFunction now) {
        int index = masterOf(cell, master);
        return index < 0 || master.metBy(now.applyAsLong(index));
    }

    /** The attribute that a channel at a value is called by: that of the function the value lies in, if it leads here. */
    public Attribute calledBy(int channel, long dmx) {
        return calledBy(channel, channels.get(channel).functionAt(dmx, f -> true));
    }

    /** The attribute that a channel is called by while one of its functions counts: that function's, if it leads here. */
    public Attribute calledBy(int channel, ChannelFunction function) {
        Channel of = channels.get(channel);
        Attribute attribute = function.attribute();
        return parameter(of.cell(), attribute)
                        .filter(p -> p.channel() == channel)
                        .isPresent()
                ? attribute
                : parameters(of.cell()).values().stream()
                        .filter(p -> p.channel() == channel)
                        .map(Parameter::attribute)
                        .findFirst()
                        .orElse(of.attribute());
    }
}
