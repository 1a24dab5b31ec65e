package app.loculus.core.edit.device;

import app.loculus.core.device.KnownDevice;
import app.loculus.core.device.Uid;
import app.loculus.core.patch.Fixture;
import app.loculus.core.problem.Refusal;
import app.loculus.core.show.Draft;
import app.loculus.core.show.PartKinds;
import app.loculus.core.show.ShowEdit;
import app.loculus.core.unit.Numbers;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Keeps which device is which fixture, so that it is known wherever it hangs next. A device is one fixture at a time, and
 * a fixture has one device for each of its addresses: what was known otherwise is forgotten.
 */
public record KnowDevices(List<KnownDevice> devices) implements ShowEdit {

    @Override
    public void on(Draft draft) {
        Map<Uid, KnownDevice> known = new LinkedHashMap<>(draft.show().all(PartKinds.DEVICES));
        Map<KnownDevice, Uid> spots = new LinkedHashMap<>();
        known.values().forEach(k -> spots.put(spot(k), k.uid()));
        List<KnownDevice> news = new ArrayList<>();
        for (KnownDevice k : devices) {
            check(draft.show().patch().get(k.fixture()), k.place());
            if (k.equals(known.get(k.uid()))) {
                continue;
            }
            Optional.ofNullable(known.remove(k.uid())).ifPresent(moved -> spots.remove(spot(moved)));
            Optional.ofNullable(spots.put(spot(k), k.uid())).ifPresent(gone -> {
                known.remove(gone);
                draft.remove(PartKinds.DEVICES, gone);
            });
            known.put(k.uid(), k);
            draft.put(PartKinds.DEVICES, k);
            news.add(k);
        }
        if (news.size() == 1) {
            draft.say("Device " + news.get(0).uid() + " is fixture "
                    + draft.show().patch().get(news.get(0).fixture()).number());
        } else if (!news.isEmpty()) {
            draft.say("Remembers which device is which: " + Numbers.count(news.size(), "device"));
        }
    }

    private static void check(Fixture fixture, int place) {
        int places = Math.max(1, fixture.addresses().size());
        if (place < 0 || place >= places) {
            throw Refusal.of(
                    "device.place",
                    "place",
                    "Fixture " + fixture.number() + " has " + places + " places for devices; there is no place "
                            + (place + 1) + ".");
        }
    }

    /** The part of the rig, whoever hangs there. */
    private static KnownDevice spot(KnownDevice k) {
        return new KnownDevice(Uid.EVERYONE, k.fixture(), k.place());
    }
}
