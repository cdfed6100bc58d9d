package zentrel.entry;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zentrel.file.ProfileFile;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.Profile;
import zentrel.profile.Protocol;

/** Makes a profile of a device of the plan, to be completed in the form. */
public final class ProfileOfDevice {
    private ProfileOfDevice() {}

    /** The profile as its file: that of the device under an id of the user's own, else what the plan says of the device. */
    public static String of(Plan plan, Host host) {
        String id = "own/" + Ids.of(host.name(), "device");
        Optional<Profile> like = plan.index().profileOf(host);
        if (like.isPresent()) {
            ProfileForm form = ProfileForm.of(new String(ProfileFile.write(like.get()), StandardCharsets.UTF_8));
            form.set("/id", id);
            form.set("/name", host.name());
            return form.json();
        }
        ObjectNode profile = JsonNodeFactory.instance
                .objectNode()
                .put("zentrel-profile", 1)
                .put("id", id)
                .put("name", host.name())
                .put("kind", host.kind().word())
                .put("system", host.system().word());
        ArrayNode adapters = profile.putArray("adapters");
        host.adapters()
                .forEach(a -> adapters.addObject()
                        .put("name", a.name())
                        .put("kind", a.kind().word())
                        .put("dhcp", a.addresses().stream().anyMatch(x -> x.origin() == AddressOrigin.DHCP)));
        ArrayNode programs = profile.putArray("applications");
        plan.index().applicationsOn(host.id()).forEach(a -> program(plan.index(), a, programs.addObject()));
        return profile.toPrettyString();
    }

    private static void program(PlanIndex index, Application program, ObjectNode into) {
        into.put("name", program.name()).put("kind", program.kind().word());
        Set<Protocol> sends = new TreeSet<>(program.outputs().keySet());
        index.streamsFrom(program.id()).forEach(s -> sends.add(s.protocol()));
        words(into, "sends", sends);
        Set<Protocol> takes = new TreeSet<>();
        Map<PortKind, Integer> ports = new LinkedHashMap<>();
        for (Receiver receiver : index.receiversOf(program.id())) {
            takes.addAll(receiver.protocols());
            receiver.ports().forEach(p -> ports.merge(p.kind(), 1, Integer::sum));
            into.put("answersPolls", receiver.answersPolls())
                    .put("merge", receiver.merge().word());
        }
        words(into, "takes", takes);
        program.osc().ifPresent(o -> into.put("oscPort", o.port().planned()));
        if (!ports.isEmpty()) {
            ArrayNode groups = into.putArray("ports");
            ports.forEach((kind, count) -> groups.addObject()
                    .put("name", kind == PortKind.DMX ? "Port" : "Input")
                    .put("count", count)
                    .put("kind", kind.word()));
        }
    }

    private static void words(ObjectNode into, String key, Set<Protocol> protocols) {
        if (!protocols.isEmpty()) {
            ArrayNode array = into.putArray(key);
            protocols.forEach(p -> array.add(p.word()));
        }
    }
}
