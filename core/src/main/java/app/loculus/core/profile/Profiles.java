package app.loculus.core.profile;

import app.loculus.core.problem.Refusal;
import app.loculus.core.problem.WayOut;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** A set of profiles, found by id or by the way people write them: {@code "Name / Mode"}. */
public final class Profiles {

    public static final Profiles NONE = new Profiles(List.of());

    /** A profile together with one of its modes. */
    public record Type(Profile profile, Mode mode) {

        @Override
        public String toString() {
            return profile.name() + " / " + mode.name();
        }
    }

    private final Map<ProfileId, Profile> byId;

    public Profiles(Collection<Profile> profiles) {
        byId = new LinkedHashMap<>();
        profiles.forEach(p -> byId.put(p.id(), p));
    }

    public List<Profile> all() {
        return List.copyOf(byId.values());
    }

    public Optional<Profile> find(ProfileId id) {
        return Optional.ofNullable(byId.get(id));
    }

    public Profile get(ProfileId id) {
        return find(id).orElseThrow(() -> new IllegalStateException("No profile " + id));
    }

    public Profiles with(Profile profile) {
        Map<ProfileId, Profile> all = new LinkedHashMap<>(byId);
        all.put(profile.id(), profile);
        return new Profiles(all.values());
    }

    public Profiles without(ProfileId id) {
        return new Profiles(
                byId.values().stream().filter(p -> !p.id().equals(id)).toList());
    }

    /** Profiles of this set first, then those of {@code more} that this set does not hold by maker and name. */
    public Profiles orElse(Profiles more) {
        Map<String, Profile> all = new LinkedHashMap<>();
        byId.values().forEach(p -> all.put(p.fullName(), p));
        more.byId.values().forEach(p -> all.putIfAbsent(p.fullName(), p));
        return new Profiles(all.values());
    }

    /**
     * Reads {@code "Name / Mode"}, with or without the maker in front; a profile with one mode needs no mode.
     *
     * @throws Refusal naming what comes near
     */
    public Type type(String text) {
        int slash = text.indexOf('/');
        for (int at = text.length(); at > slash && at > 0; at = text.lastIndexOf('/', at - 1)) {
            String name = text.substring(0, at).strip();
            if (!named(name).isEmpty()) {
                return type(name, at == text.length() ? "" : text.substring(at + 1));
            }
        }
        return type(slash < 0 ? text : text.substring(0, slash), slash < 0 ? "" : text.substring(slash + 1));
    }

    /**
     * The type of this name and mode; a profile with one mode needs no mode.
     *
     * @throws Refusal naming what comes near
     */
    public Type type(String profile, String mode) {
        return withMode(profile(profile), mode.strip());
    }

    /** The profile of this name, with or without the maker in front. @throws Refusal naming what comes near */
    public Profile profile(String name) {
        String nameText = name.strip();
        List<Profile> named = named(nameText);
        if (named.isEmpty()) {
            throw Refusal.of(
                    "profile.unknown",
                    "profile",
                    "No profile is called “" + nameText + "”.",
                    WayOut.advice(near(nameText)));
        }
        if (named.size() > 1) {
            throw Refusal.of(
                    "profile.ambiguous",
                    "profile",
                    "“" + nameText + "” could be "
                            + named.stream().map(Profile::fullName).collect(Collectors.joining(" or ")) + ".",
                    WayOut.advice("Put the maker in front."));
        }
        return named.get(0);
    }

    private static Type withMode(Profile profile, String mode) {
        if (mode.isEmpty() && profile.modes().size() == 1) {
            return new Type(profile, profile.modes().get(0));
        }
        return new Type(profile, profile.mode(mode));
    }

    /** Whether a profile is called so, with or without its maker. */
    public boolean has(String name) {
        return !named(name.strip()).isEmpty();
    }

    private List<Profile> named(String text) {
        List<Profile> full = byId.values().stream()
                .filter(p -> p.fullName().equalsIgnoreCase(text))
                .toList();
        return full.isEmpty()
                ? byId.values().stream()
                        .filter(p -> p.name().equalsIgnoreCase(text))
                        .toList()
                : full;
    }

    private String near(String text) {
        String start = text.toLowerCase(java.util.Locale.ROOT).substring(0, Math.min(3, text.length()));
        List<String> like = byId.values().stream()
                .map(Profile::name)
                .filter(n -> n.toLowerCase(java.util.Locale.ROOT).contains(start))
                .limit(4)
                .toList();
        return like.isEmpty()
                ? "The Profiles chapter lists what there is."
                : "Near it: " + String.join(", ", like) + ".";
    }
}
