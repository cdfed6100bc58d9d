package zentrel.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import zentrel.demo.PlanSketch;
import zentrel.gear.PlanRemoval;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Application;
import zentrel.plan.Binding;
import zentrel.plan.Cable;
import zentrel.plan.Delivery;
import zentrel.plan.Firewall;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Installed;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Power;
import zentrel.plan.Purpose;
import zentrel.plan.Setting;
import zentrel.plan.SourceCheck;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;

/** The ways in which people get a rig wrong, each done to something at random. */
enum Fault {
    ADAPTER_OFF {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(adapter(plan, r), a -> a.withEnabled(Setting.of(false)));
        }
    },
    CABLE_PULLED {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(adapter(plan, r), a -> a.withCarrier(false));
        }
    },
    ADDRESS_LOST {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(adapter(plan, r), a -> a.withAddresses(List.of()));
        }
    },
    ADDRESS_ELSEWHERE {
        @Override
        Plan in(Plan plan, Random r) {
            String address = one(List.of("192.168.77.", "10.43.5.", "2.0.0."), r) + (2 + r.nextInt(200));
            int mask = one(List.of(24, 16, 8), r);
            return plan.with(adapter(plan, r), a -> a.withAddresses(List.of(address(address + "/" + mask))));
        }
    },
    MASK_WRONG {
        @Override
        Plan in(Plan plan, Random r) {
            int mask = one(List.of(24, 8, 28), r);
            return plan.with(
                    adapter(plan, r),
                    a -> a.addresses().isEmpty()
                            ? a
                            : a.withAddresses(List.of(
                                    address(a.addresses().get(0).inForce().address() + "/" + mask))));
        }
    },
    BOUND_WRONG {
        @Override
        Plan in(Plan plan, Random r) {
            Application program = one(plan.applications(), r);
            List<Binding> bindings =
                    new ArrayList<>(List.of(Binding.LOOPBACK, Binding.AUTOMATIC, Binding.ALL, Binding.FIRST));
            plan.index().host(program.host()).adapters().forEach(a -> bindings.add(Binding.to(a.id())));
            Purpose purpose =
                    one(List.of(Purpose.ARTNET_SEND, Purpose.SACN_SEND, Purpose.ARTNET_LISTEN, Purpose.SACN_LISTEN), r);
            return plan.with(program.id(), a -> a.withBinding(purpose, Setting.of(one(bindings, r))));
        }
    },
    STREAM_OFF {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(one(plan.streams(), r).id(), s -> s.withEnabled(false));
        }
    },
    DELIVERY_CHANGED {
        @Override
        Plan in(Plan plan, Random r) {
            zentrel.plan.Stream stream = one(plan.streams(), r);
            List<Delivery> all = stream.protocol() == Protocol.SACN
                    ? List.of(Delivery.MULTICAST, Delivery.UNICAST)
                    : List.of(Delivery.FOUND, Delivery.BROADCAST, Delivery.UNICAST, Delivery.LIMITED_BROADCAST);
            return plan.with(stream.id(), s -> s.withDelivery(one(all, r), s.to()));
        }
    },
    TYPED_WRONG {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(
                    one(plan.streams(), r).id(),
                    s -> s.withTo(List.of(Ipv4Address.parse("10.41.20." + (60 + r.nextInt(40))))));
        }
    },
    PORT_NUMBER {
        @Override
        Plan in(Plan plan, Random r) {
            int by = one(List.of(-1, 1, 5), r);
            return port(
                    plan, r, p -> p.withWire(Math.max(0, p.wire().orElseThrow().inForce() + by)));
        }
    },
    PORT_OFF {
        @Override
        Plan in(Plan plan, Random r) {
            return port(plan, r, p -> p.withEnabled(false));
        }
    },
    PORT_AN_INPUT {
        @Override
        Plan in(Plan plan, Random r) {
            return port(plan, r, p -> p.withDirection(Direction.INPUT));
        }
    },
    PORT_PROTOCOL {
        @Override
        Plan in(Plan plan, Random r) {
            return port(
                    plan,
                    r,
                    p -> p.withProtocol(p.protocol().inForce() == Protocol.SACN ? Protocol.ARTNET : Protocol.SACN));
        }
    },
    INPUT_OFF {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(one(plan.receivers(), r).id(), x -> x.withInputOn(false));
        }
    },
    DEAF_TO_POLLS {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(one(plan.receivers(), r).id(), x -> x.withAnswersPolls(false));
        }
    },
    FIREWALL {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(one(plan.hosts(), r).id(), h -> h.withFirewall(new Firewall(Setting.of(true), Set.of())));
        }
    },
    NO_POWER {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(
                    one(plan.hosts(), r).id(), h -> h.withPower(new Power(false, List.of(), Optional.empty())));
        }
    },
    NOT_RUNNING {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(
                    one(plan.applications(), r).id(),
                    a -> a.withInstalled(Installed.NOTHING_SAID.withRunning(Optional.of(Setting.of(false)))));
        }
    },
    SOURCE_CHECK {
        @Override
        Plan in(Plan plan, Random r) {
            SourceCheck check = one(List.of(SourceCheck.LOOSE, SourceCheck.STRICT), r);
            return plan.with(one(plan.hosts(), r).id(), h -> h.withSourceCheck(check));
        }
    },
    NO_GATEWAY {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.with(adapter(plan, r), a -> a.withGateway(Optional.empty()));
        }
    },
    VLAN {
        @Override
        Plan in(Plan plan, Random r) {
            Plan next = plan;
            for (Host host : plan.hosts()) {
                for (Adapter a : host.adapters()) {
                    next = next.with(a.id(), x -> x.withPlug(x.plug().withVlan(Optional.of(Setting.of(10)))));
                }
            }
            return next.with(adapter(plan, r), x -> x.withPlug(x.plug().withVlan(Optional.of(Setting.of(20)))));
        }
    },
    CABLE_OUT {
        @Override
        Plan in(Plan plan, Random r) {
            return plan.cables().isEmpty()
                    ? plan
                    : plan.with(one(plan.cables(), r).id(), c -> c.withConnected(false));
        }
    },
    RING {
        @Override
        Plan in(Plan plan, Random r) {
            List<Id<?>> boxes = new ArrayList<>();
            plan.hosts().stream()
                    .filter(h -> h.kind() == HostKind.SWITCH)
                    .limit(2)
                    .forEach(h -> boxes.add(h.id()));
            if (boxes.size() < 2
                    || plan.cables().stream().anyMatch(c -> c.id().value().equals("ring"))) {
                return plan;
            }
            Cable ring = RandomRig.cable("ring", boxes.get(0), boxes.get(1));
            return plan.with(
                    Kind.CABLE,
                    Stream.concat(plan.cables().stream(), Stream.of(ring)).toList());
        }
    },
    ADDRESS_TWICE {
        @Override
        Plan in(Plan plan, Random r) {
            Id<Adapter> from = adapter(plan, r);
            return plan.with(
                    adapter(plan, r),
                    a -> a.withAddresses(plan.index().adapter(from).addresses()));
        }
    },
    ISOLATED {
        @Override
        Plan in(Plan plan, Random r) {
            if (!plan.cables().isEmpty()) {
                return plan; // wireless clients hang on no cable
            }
            Plan next = plan.with(one(plan.segments(), r).id(), s -> s.withIsolated(true));
            return next.with(adapter(plan, r), a -> a.withKind(zentrel.profile.AdapterKind.WIRELESS))
                    .with(adapter(plan, r), a -> a.withKind(zentrel.profile.AdapterKind.WIRELESS));
        }
    },
    DEVICE_REMOVED {
        @Override
        Plan in(Plan plan, Random r) {
            // a desk stays, for without one nothing is sent
            List<Host> others = plan.hosts().stream()
                    .filter(h -> h.kind() != HostKind.CONSOLE)
                    .toList();
            return others.isEmpty()
                    ? plan
                    : PlanRemoval.of(plan, List.of(one(others, r).id())).edit().applyTo(plan);
        }
    },
    DEVICE_ADDED {
        @Override
        Plan in(Plan plan, Random r) {
            Id<Adapter> like = adapter(plan, r);
            if (plan.hosts().stream().anyMatch(h -> h.id().value().equals("visitor"))) {
                return plan;
            }
            PlanSketch sketch = new PlanSketch("visitor");
            Adapter a = plan.index().adapter(like);
            sketch.host(
                    "visitor",
                    "Visitor",
                    HostKind.COMPUTER,
                    "Hut",
                    OperatingSystem.WINDOWS,
                    "",
                    PlanSketch.adapter("visitor", "Net", "light", "10.41.9.9/16")
                            .withAddresses(a.addresses()));
            return plan.with(
                    Kind.HOST,
                    Stream.concat(plan.hosts().stream(), sketch.plan().hosts().stream())
                            .toList());
        }
    },
    ON_ANOTHER_SEGMENT {
        @Override
        Plan in(Plan plan, Random r) {
            Id<zentrel.plan.Segment> to = one(plan.segments(), r).id();
            return plan.cables().isEmpty() ? plan.with(adapter(plan, r), a -> a.withSegment(Optional.of(to))) : plan;
        }
    };

    abstract Plan in(Plan plan, Random r);

    /** The plan with this fault; as it is where there is nothing left to do it to. */
    Plan done(Plan plan, Random r) {
        boolean any = !plan.streams().isEmpty()
                && !plan.receivers().isEmpty()
                && plan.receivers().stream().anyMatch(x -> !x.ports().isEmpty());
        return any ? in(plan, r) : plan;
    }

    static <T> T one(List<T> of, Random r) {
        return of.get(r.nextInt(of.size()));
    }

    private static Id<Adapter> adapter(Plan plan, Random r) {
        List<Host> hosts =
                plan.hosts().stream().filter(h -> !h.adapters().isEmpty()).toList();
        return one(one(hosts, r).adapters(), r).id();
    }

    private static AdapterAddress address(String text) {
        return new AdapterAddress(Setting.of(HostAddress.parse(text)), AddressOrigin.MANUAL);
    }

    private static Plan port(Plan plan, Random r, java.util.function.UnaryOperator<Port> change) {
        List<Id<Port>> all = plan.receivers().stream()
                .flatMap(x -> x.ports().stream())
                .map(Port::id)
                .toList();
        return plan.with(one(all, r), change);
    }
}
