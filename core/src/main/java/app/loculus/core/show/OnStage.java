package app.loculus.core.show;

import app.loculus.core.patch.Fixture;
import app.loculus.core.patch.UnitId;
import app.loculus.core.profile.Attribute;
import app.loculus.core.profile.FunctionValue;
import app.loculus.core.programmer.Touching;
import app.loculus.core.resolve.Resolved;
import app.loculus.core.resolve.Resolver;
import app.loculus.core.value.AttributeValue;
import app.loculus.core.value.Use;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is on stage as if nothing were shown off; each fixture is worked out when it is asked for. */
final class OnStage implements Touching.Now {

    private final Resolver resolver;
    private final Map<Fixture, List<Resolved>> known = new HashMap<>();

    OnStage(Resolver resolver) {
        this.resolver = resolver;
    }

    @Override
    public FunctionValue at(Fixture fixture, int channel) {
        return known.computeIfAbsent(fixture, resolver::resolve).get(channel).place();
    }

    @Override
    public boolean rides(UnitId unit, Attribute attribute, Use use) {
        return resolver.rides(unit, attribute, use);
    }

    @Override
    public Optional<AttributeValue> plain(UnitId unit, Attribute attribute, AttributeValue value) {
        return resolver.plain(unit, attribute, value);
    }
}
