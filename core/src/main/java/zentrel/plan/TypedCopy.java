package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
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
@RecordBuilder
public record TypedCopy(Id<TypedCopy> id, String name, Id<?> owner, Id<?> of, Setting<String> value)
        implements Named, TypedCopyBuilder.With {
    public TypedCopy {
        PlainText.require("The name of a field", name);
        PlainText.require("A copied value", value.planned());
        PlainText.require("A copied value", value.inForce());
        if (!(owner.is(Kind.APPLICATION) || owner.is(Kind.HOST))) {
            throw new IllegalArgumentException("A copy is kept by an application, or printed on a host.");
        }
        requireKind(of, value.planned());
        requireKind(of, value.inForce());
    }

    private static void requireKind(Id<?> of, String value) {
        if (of.is(Kind.ADAPTER)) {
            Ipv4Address.parse(value);
        } else if (of.is(Kind.PORT) || of.is(Kind.APPLICATION)) {
            if (!value.matches("\\d{1,9}")) {
                throw new IllegalArgumentException("\"" + value + "\" is no number, and "
                        + (of.is(Kind.PORT) ? "the number of a port" : "a UDP port") + " is copied here.");
            }
        } else if (!(of.is(Kind.HOST) || of.is(Kind.UNIVERSE))) {
            throw new IllegalArgumentException(
                    "A copy is of an adapter, a port, an application, a host or a universe.");
        } else if (value.isBlank()) {
            throw new IllegalArgumentException("A copied name has at least one character.");
        }
    }

    public TypedCopy withValue(String changed) {
        return withValue(Setting.of(changed));
    }

    /** Whether it stands on a label, where it misleads people and not programs. */
    public boolean isPrinted() {
        return owner.is(Kind.HOST);
    }

    /** What it ought to say: any of these, as they are in force; empty where the thing has no such value now. */
    public List<String> real(PlanIndex index) {
        Object found = index.find(of).orElse(null);
        if (found instanceof Adapter adapter) {
            return adapter.addresses().stream()
                    .map(x -> x.inForce().address().toString())
                    .toList();
        }
        if (found instanceof Port port) {
            return port.wire().map(w -> String.valueOf(w.inForce())).stream().toList();
        }
        if (found instanceof Application program) {
            return program.osc().map(o -> String.valueOf(o.port().inForce())).stream()
                    .toList();
        }
        return List.of(index.name(of));
    }

    /** The box on which it is typed in or printed. */
    public Id<Host> host(PlanIndex index) {
        return index.hostOf(owner).id();
    }
}
