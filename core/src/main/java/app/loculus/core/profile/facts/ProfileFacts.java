package app.loculus.core.profile.facts;

import java.util.OptionalDouble;

/**
 * What is known about a fixture beside its channels.
 *
 * @param description the maker's words, may be empty
 * @param weightKg weight, if the profile says
 * @param fixtureTypeId the maker's GUID for it, may be empty
 */
public record ProfileFacts(String description, OptionalDouble weightKg, String fixtureTypeId, Pictures pictures) {

    public static final ProfileFacts NONE = new ProfileFacts("", OptionalDouble.empty(), "", Pictures.NONE);

    public ProfileFacts with(Pictures newPictures) {
        return new ProfileFacts(description, weightKg, fixtureTypeId, newPictures);
    }
}
