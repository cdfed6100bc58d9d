package zentrel.plan;

import java.util.List;
import java.util.Optional;

/**
 * A physical box.
 *
 * @param place where it stands
 * @param profile the id of the profile it was made from, if any
 * @param sourceCheck whether it drops packets from sources that it has no route back to
 */
public record Host(
        HostId id,
        String name,
        HostKind kind,
        String place,
        OperatingSystem system,
        Optional<String> profile,
        List<Adapter> adapters,
        Firewall firewall,
        boolean sourceCheck)
        implements Named {
    public Host {
        adapters = List.copyOf(adapters);
    }

    public Host withAdapters(List<Adapter> value) {
        return new Host(id, name, kind, place, system, profile, value, firewall, sourceCheck);
    }

    public Host withFirewall(Firewall value) {
        return new Host(id, name, kind, place, system, profile, adapters, value, sourceCheck);
    }

    public Host withName(String value) {
        return new Host(id, value, kind, place, system, profile, adapters, firewall, sourceCheck);
    }
}
