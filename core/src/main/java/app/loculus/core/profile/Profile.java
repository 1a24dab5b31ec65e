package app.loculus.core.profile;

import app.loculus.core.problem.Problem;
import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import app.loculus.core.profile.facts.Pictures;
import app.loculus.core.profile.facts.ProfileFacts;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;

/** A kind of fixture, from one maker. Two profiles are equal when they were read from the same text. */
public final class Profile {

    private final ProfileId id;
    private final String maker;
    private final String name;
    private final Map<Attribute, AttributeDefinition> attributes = new LinkedHashMap<>();
    private final List<Wheel> wheels;
    private final Map<String, Mode> modes = new LinkedHashMap<>();
    private final List<Problem> warnings;
    private final String source;
    private final ProfileFacts facts;

    public Profile(
            ProfileId id,
            String maker,
            String name,
            List<AttributeDefinition> attributes,
            List<Wheel> wheels,
            List<Mode> modes,
            List<Problem> warnings,
            String source) {
        this(id, maker, name, attributes, wheels, modes, warnings, source, ProfileFacts.NONE);
    }

    /**
     * @param warnings what was odd in the source, each with its place
     * @param source the description it was read from, word for word
     */
    public Profile(
            ProfileId id,
            String maker,
            String name,
            List<AttributeDefinition> attributes,
            List<Wheel> wheels,
            List<Mode> modes,
            List<Problem> warnings,
            String source,
            ProfileFacts facts) {
        this.facts = facts;
        this.id = id;
        this.maker = maker;
        this.name = name;
        attributes.forEach(a -> this.attributes.putIfAbsent(a.attribute(), a));
        this.wheels = List.copyOf(wheels);
        modes.forEach(m -> this.modes.put(m.name(), m));
        this.warnings = List.copyOf(warnings);
        this.source = source;
    }

    public ProfileId id() {
        return id;
    }

    public String maker() {
        return maker;
    }

    public String name() {
        return name;
    }

    public List<Wheel> wheels() {
        return wheels;
    }

    public List<Mode> modes() {
        return List.copyOf(modes.values());
    }

    public List<Problem> warnings() {
        return warnings;
    }

    public String source() {
        return source;
    }

    public ProfileFacts facts() {
        return facts;
    }

    /** The same profile with pictures that came beside its description. */
    public Profile with(Pictures pictures) {
        return new Profile(id, maker, name, attributes(), wheels, modes(), warnings, source, facts.with(pictures));
    }

    /** @throws Refusal naming the modes there are */
    public Mode mode(String modeName) {
        return findMode(modeName)
                .orElseThrow(() -> Refusal.of(
                        "profile.mode",
                        "profile",
                        name + " has no mode “" + modeName + "”.",
                        WayOut.advice("Its modes are " + String.join(", ", modes.keySet()) + ".")));
    }

    public Optional<Mode> findMode(String modeName) {
        Mode exact = modes.get(modeName);
        return exact != null
                ? Optional.of(exact)
                : modes.values().stream()
                        .filter(m -> m.name().equalsIgnoreCase(modeName.strip()))
                        .findFirst();
    }

    public List<AttributeDefinition> attributes() {
        return List.copyOf(attributes.values());
    }

    /** An attribute the file forgot to declare is treated as a control without unit. */
    public AttributeDefinition definition(Attribute attribute) {
        AttributeDefinition declared = attributes.get(attribute);
        return declared != null
                ? declared
                : new AttributeDefinition(attribute, attribute.name(), "Control.Control", "None");
    }

    public Kind kindOf(Attribute attribute) {
        return definition(attribute).kind();
    }

    public Optional<Wheel> wheel(String wheelName) {
        return wheels.stream().filter(w -> w.name().equals(wheelName)).findFirst();
    }

    /** {@code Maker Name}. */
    public String fullName() {
        return maker + " " + name;
    }

    public static Map<String, Wheel> byName(List<Wheel> wheels) {
        return wheels.stream().collect(Collectors.toMap(Wheel::name, w -> w, (a, b) -> a, LinkedHashMap::new));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Profile profile && profile.id.equals(id);
    }

    @Override
    public int hashCode() {
        return Objects.hash(id);
    }

    @Override
    public String toString() {
        return fullName();
    }
}
