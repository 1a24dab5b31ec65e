package app.loculus.core.profile;

import app.loculus.core.colour.AdditiveMixer;
import app.loculus.core.colour.Emitter;
import java.util.List;

/** Emitters that show together: all those that work in the same range of the same mode channel. */
public record AdditiveSystem(List<Attribute> attributes, AdditiveMixer mixer) {

    static AdditiveSystem of(List<Emitter> emitters) {
        return new AdditiveSystem(
                emitters.stream().map(e -> new Attribute(e.name())).toList(), new AdditiveMixer(emitters));
    }
}
