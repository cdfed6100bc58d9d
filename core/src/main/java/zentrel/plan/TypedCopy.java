package zentrel.plan;

import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.text.PlainText;

/**
 * Something that was typed in or printed once and does not follow when the thing itself changes: a remote's remembered
 * console, a bridge's target, an application's own field, a label on a box.
 *
 * @param name what the field is called there
 * @param owner the application that keeps it; a host, where it is printed on a label
 * @param of what it is a copy of: the address of an adapter, the wire number of a port, the OSC port of an application, the
 *     name of a host or a universe
 */
public record TypedCopy(CopyId id, String name, Id owner, Id of, Setting<String> value) implements Named {
    public TypedCopy {
        PlainText.require("The name of a field", name);
        PlainText.require("A copied value", value.planned());
        PlainText.require("A copied value", value.inForce());
        if (!(owner instanceof ApplicationId || owner instanceof HostId)) {
            throw new IllegalArgumentException("A copy is kept by an application, or printed on a host.");
        }
        requireKind(of, value.planned());
        requireKind(of, value.inForce());
    }

    private static void requireKind(Id of, String value) {
        if (of instanceof AdapterId) {
            Ipv4Address.parse(value);
        } else if (of instanceof PortId || of instanceof ApplicationId) {
            if (!value.matches("\\d{1,9}")) {
                throw new IllegalArgumentException("\"" + value + "\" is no number, and "
                        + (of instanceof PortId ? "the number of a port" : "a UDP port") + " is copied here.");
            }
        } else if (!(of instanceof HostId || of instanceof UniverseId)) {
            throw new IllegalArgumentException(
                    "A copy is of an adapter, a port, an application, a host or a universe.");
        } else if (value.isBlank()) {
            throw new IllegalArgumentException("A copied name has at least one character.");
        }
    }

    public TypedCopy withValue(Setting<String> changed) {
        return new TypedCopy(id, name, owner, of, changed);
    }

    public TypedCopy withValue(String changed) {
        return withValue(Setting.of(changed));
    }

    /** Whether it stands on a label, where it misleads people and not programs. */
    public boolean isPrinted() {
        return owner instanceof HostId;
    }

    /** What it ought to say: any of these, as they are in force; empty where the thing has no such value now. */
    public List<String> real(PlanIndex index) {
        if (of instanceof AdapterId a) {
            return index.adapter(a).addresses().stream()
                    .map(x -> x.inForce().address().toString())
                    .toList();
        }
        if (of instanceof PortId p) {
            return index.port(p).wire().map(w -> String.valueOf(w.inForce())).stream()
                    .toList();
        }
        if (of instanceof ApplicationId a) {
            return index.application(a).osc().map(o -> String.valueOf(o.port().inForce())).stream()
                    .toList();
        }
        return List.of(index.name(of));
    }

    /** The box on which it is typed in or printed. */
    public HostId host(PlanIndex index) {
        return owner instanceof ApplicationId a ? index.application(a).host() : (HostId) owner;
    }
}
