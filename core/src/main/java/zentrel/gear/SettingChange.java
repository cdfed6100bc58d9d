package zentrel.gear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.entry.Field;
import zentrel.entry.Renames;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Protocol;

/**
 * A change of one setting before it is made: what it was and will be, and every other place that keeps a copy of it, one step
 * each. It may be set at once, or planned and set later.
 *
 * @param what the thing and its setting
 * @param before as it is now
 * @param after as it will be
 * @param change makes it, in force at once
 * @param places what keeps a copy of it
 */
public record SettingChange(String what, String before, String after, Edit change, List<CopiedPlace> places) {
    public SettingChange {
        places = List.copyOf(places);
    }

    /** The same change, planned only: what is in force stays as it is until it is ticked off on the device. */
    public Edit later() {
        return SettingRollout.onlyPlanned(change);
    }

    /** Another address for an adapter; its first where it has none. */
    public static SettingChange address(Plan plan, Id<Adapter> id, int at, HostAddress address) {
        PlanIndex index = plan.index();
        Adapter adapter = index.adapter(id);
        boolean has = at < adapter.addresses().size();
        HostAddress old = has ? adapter.addresses().get(at).inForce() : null;
        return new SettingChange(
                "the " + index.name(id),
                old == null ? "no address" : old.toString(),
                address.toString(),
                new Edit(
                        "Give the " + index.name(id) + " " + address,
                        p -> p.with(
                                id,
                                a -> a.withAddress(at, new AdapterAddress(Setting.of(address), AddressOrigin.MANUAL)))),
                old == null
                        ? List.of()
                        : CopiedPlace.keeping(plan, index.hostOf(id).id(), old.address(), address.address()));
    }

    /**
     * Another universe number at a port.
     *
     * @param wire as it is on the wire, within the range of the port's protocol
     * @throws IllegalArgumentException with a sentence, outside the range
     */
    public static SettingChange wire(Plan plan, Id<Port> id, int wire) {
        PlanIndex index = plan.index();
        Port port = index.port(id);
        Protocol protocol = port.protocol().planned();
        if (!protocol.carries(wire)) {
            throw new IllegalArgumentException(protocol.title() + " has no universe " + wire + ".");
        }
        String old = port.wire().map(w -> String.valueOf(w.inForce())).orElse("not set");
        return new SettingChange(
                index.name(id),
                protocol.title() + " " + old,
                protocol.title() + " " + wire,
                new Edit("Set " + index.name(id) + " to " + wire, p -> p.with(id, x -> x.withWire(wire))),
                port.wire()
                        .map(w -> CopiedPlace.keepingWire(plan, port, w.inForce(), wire))
                        .orElse(List.of()));
    }

    /**
     * Another UDP port on which an application takes OSC.
     *
     * @throws IllegalArgumentException with a sentence, outside 1 to 65535 or where it takes no OSC
     */
    public static SettingChange oscPort(Plan plan, Id<Application> id, int udp) {
        if (udp < 1 || udp > 65_535) {
            throw new IllegalArgumentException("A UDP port is 1 to 65535, not " + udp + ".");
        }
        Application application = plan.index().application(id);
        OscInput osc = application
                .osc()
                .orElseThrow(() -> new IllegalArgumentException(application.name() + " receives no OSC."));
        return new SettingChange(
                application.name() + ", OSC port",
                String.valueOf(osc.port().inForce()),
                String.valueOf(udp),
                new Edit(
                        "Listen for OSC on " + udp + " in " + application.name(),
                        p -> p.with(id, a -> a.withOsc(a.osc().orElseThrow().withPort(udp)))),
                CopiedPlace.keepingOscPort(plan, id, osc.port().inForce(), udp));
    }

    /**
     * A text entered into a field, with what keeps a copy of the value; empty where the field shows it already.
     *
     * @throws IllegalArgumentException with a sentence, where it is no value of the field
     */
    public static <E> Optional<SettingChange> entered(Plan plan, Id<E> id, Field<E> field, String text) {
        Field.Shown now = field.shown(plan, id);
        return field.edit(plan, id, text)
                .map(edit -> new SettingChange(
                        plan.index().name(id) + ", " + field.title(),
                        now.inForce()
                                + now.planned().map(p -> ", " + p + " planned").orElse(""),
                        text.strip(),
                        edit,
                        copies(plan, edit.applyTo(plan), id)));
    }

    /** What keeps a copy of a name, an address, a universe number or an OSC port that a change gives to something. */
    private static List<CopiedPlace> copies(Plan before, Plan after, Id<?> id) {
        List<CopiedPlace> places = new ArrayList<>();
        id.as(Kind.ADAPTER).ifPresent(adapter -> {
            List<AdapterAddress> old = before.index().get(adapter).addresses();
            List<AdapterAddress> then = after.index().get(adapter).addresses();
            for (int i = 0; i < Math.min(old.size(), then.size()); i++) {
                Ipv4Address from = old.get(i).inForce().address();
                Ipv4Address to = then.get(i).inForce().address();
                if (!from.equals(to)) {
                    places.addAll(CopiedPlace.keeping(
                            before, before.index().hostOf(id).id(), from, to));
                }
            }
        });
        id.as(Kind.PORT).ifPresent(port -> {
            Optional<Integer> from = before.index().get(port).wire().map(Setting::inForce);
            Optional<Integer> to = after.index().get(port).wire().map(Setting::inForce);
            if (from.isPresent() && to.isPresent() && !from.equals(to)) {
                places.addAll(CopiedPlace.keepingWire(before, before.index().get(port), from.get(), to.get()));
            }
        });
        id.as(Kind.APPLICATION).ifPresent(program -> {
            Optional<Integer> from =
                    before.index().get(program).osc().map(o -> o.port().inForce());
            Optional<Integer> to =
                    after.index().get(program).osc().map(o -> o.port().inForce());
            if (from.isPresent() && to.isPresent() && !from.equals(to)) {
                places.addAll(CopiedPlace.keepingOscPort(before, program, from.get(), to.get()));
            }
        });
        String from = before.index().name(id);
        String to = after.index().name(id);
        if (!from.equals(to)) {
            places.addAll(CopiedPlace.keepingName(before, id, from, to));
        }
        return places;
    }

    /** Another name. */
    public static SettingChange name(Plan plan, Id<?> id, String name) {
        String old = plan.index().name(id);
        return new SettingChange(
                old,
                old,
                name.strip(),
                Renames.of(plan, id, name),
                CopiedPlace.keepingName(plan, id, old, name.strip()));
    }
}
