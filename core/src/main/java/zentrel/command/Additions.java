package zentrel.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import zentrel.command.Addition.Answers;
import zentrel.command.Addition.Ask;
import zentrel.entry.FixtureEntries;
import zentrel.entry.Format;
import zentrel.entry.Formats;
import zentrel.entry.PixelShapeFormat;
import zentrel.entry.PlaceEntries;
import zentrel.gear.Connections;
import zentrel.gear.DeviceFactory;
import zentrel.gear.EntityAdditions;
import zentrel.gear.FixturePatcher;
import zentrel.gear.GearEdit;
import zentrel.gear.Library;
import zentrel.gear.PatchAdditions;
import zentrel.gear.PixelEdits;
import zentrel.gear.PlaceEdits;
import zentrel.gear.Spots;
import zentrel.gear.UniverseRoutes;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.HostKind;
import zentrel.profile.PixelChip;
import zentrel.profile.PortKind;
import zentrel.profile.Profile;
import zentrel.profile.Protocol;

/** What can be added to what is selected, each with its few questions; what a line of words adds, as forms. */
public final class Additions {
    private static final int MOST_COPIES = 999;
    private static final Format<String> TEXT = Formats.TEXT;

    private static final ByKind<Function<Additions, List<Addition>>> OF = new ByKind<
                    Function<Additions, List<Addition>>>()
            .with(Kind.HOST, (index, h) -> a -> a.toHost(h))
            .with(Kind.APPLICATION, (index, x) -> a -> a.toProgram(x))
            .with(Kind.RECEIVER, (index, r) -> a -> a.toReceiver(r))
            .with(Kind.PORT, (index, p) -> a -> a.toPort(p))
            .with(Kind.LINE, (index, l) -> a -> a.toLine(l))
            .with(Kind.UNIVERSE, (index, u) -> a -> List.of(a.sentBy(u)))
            .with(Kind.SEGMENT, (index, s) -> a -> List.of(a.put(s)))
            .with(Kind.SESSION, (index, s) -> a -> List.of(a.member(s)))
            .with(Kind.ADAPTER, (index, x) -> a -> List.of(a.cable(x.id())));

    private final Plan plan;
    private final Library library;

    private Additions(Plan plan, Library library) {
        this.plan = plan;
        this.library = library.with(plan);
    }

    /** What can be added to a thing. */
    public static List<Addition> to(Plan plan, Library library, Id<?> id) {
        return OF.of(plan.index(), id)
                .map(f -> f.apply(new Additions(plan, library)))
                .orElse(List.of());
    }

    /** What can be added to a plan itself. */
    public static List<Addition> toPlan(Plan plan, Library library) {
        Additions a = new Additions(plan, library);
        return List.of(
                a.device(),
                a.segment(),
                a.universe(),
                a.session(Optional.empty()),
                a.fixtureType(),
                a.fixtureList(),
                a.pixels(Optional.empty()),
                a.surrounding(),
                a.viewpoint(),
                a.groundPicture());
    }

    private static Addition one(String title, Function<Answers, Edit> work, Ask<?>... asks) {
        return new Addition(title, Arrays.asList(asks), answers -> new GearEdit(work.apply(answers), List.of()));
    }

    private static Ask<Integer> count(String title) {
        return new Ask<>(title, Formats.whole(title, 1, MOST_COPIES), "1");
    }

    // --- to the plan ---

    private Addition device() {
        Ask<Profile> kind = new Ask<>("Kind", profiles(false), "");
        Ask<Integer> count = count("How many");
        Ask<String> name = new Ask<>("Name", TEXT, "");
        Ask<String> place = new Ask<>("Place", TEXT, "");
        return new Addition(
                "Devices",
                List.of(kind, count, name, place),
                a -> DeviceFactory.boxes(
                        plan,
                        library,
                        a.to(kind),
                        a.to(count),
                        a.text(name).orElse(""),
                        a.text(place).orElse("")));
    }

    private Format<Profile> profiles(boolean software) {
        return Formats.choice(
                library.profiles().stream()
                        .filter(p -> p.software() == software)
                        .toList(),
                Profile::name,
                Format.Control.CHOICE);
    }

    private Addition segment() {
        Ask<String> name = new Ask<>("Name", TEXT, "Network");
        Ask<String> range = new Ask<>("Range", TEXT, DeviceFactory.FIRST_RANGE.toString());
        return one("A segment", a -> Connections.segment(plan, a.to(name), Subnet.parse(a.to(range))), name, range);
    }

    private Addition fixtureType() {
        Ask<String> name = new Ask<>("Name", TEXT, "New type");
        Ask<String> maker = new Ask<>("Maker", TEXT, "");
        Ask<String> modes = new Ask<>("Modes", TEXT, "Basic: dimmer, pan 16 bit, tilt 16 bit");
        return one(
                "A fixture type",
                a -> PatchAdditions.type(plan, a.to(name), a.text(maker).orElse(""), a.to(modes)),
                name,
                maker,
                modes);
    }

    private Addition fixtureList() {
        Ask<String> name = new Ask<>("Name", TEXT, "List");
        Ask<List<Id<Application>>> program =
                new Ask<>("Whose it is", Formats.list(Formats.reference(Kind.APPLICATION)), " ");
        return one(
                "A program's list of fixtures",
                a -> PatchAdditions.list(
                        plan, a.to(name), a.to(program).stream().findFirst()),
                name,
                program);
    }

    private List<Addition> toReceiver(Receiver receiver) {
        List<Addition> all = new ArrayList<>(List.of(ports(receiver), route(receiver)));
        if (PixelEdits.controllers(plan).contains(receiver)) {
            Ask<String> name =
                    new Ask<>("Name", TEXT, "Output " + (receiver.ports().size() + 1));
            all.add(pixels(Optional.of(receiver)));
            all.add(one("A pixel output", a -> PixelEdits.output(plan, receiver, a.to(name)), name));
        }
        return all;
    }

    /** Pixels on a controller; where none is given, one may be chosen. */
    private Addition pixels(Optional<Receiver> controller) {
        Ask<Integer> count = count("How many");
        Ask<String> name = new Ask<>("Name", TEXT, "Strip");
        Ask<PixelShape> shape = new Ask<>("Shape", PixelShapeFormat.SHAPE, "strip of 150 at 16 mm");
        Ask<String> order = new Ask<>("Order of colours", TEXT, PixelType.USUAL.order());
        Ask<PixelChip> chip = new Ask<>(
                "Chip", Formats.word(PixelChip.class), PixelType.USUAL.chip().word());
        Ask<List<Id<Receiver>>> on =
                new Ask<>("On the controller", Formats.list(Formats.reference(Kind.RECEIVER)), " ");
        Ask<List<Integer>> first = new Ask<>("First universe", Formats.list(EntityAdditions.UNIVERSE_NUMBER), " ");
        List<Ask<?>> asks = new ArrayList<>(List.of(count, name, shape, order, chip, first));
        if (controller.isEmpty()) {
            asks.add(5, on);
        }
        return one(
                "Pixels",
                a -> {
                    PixelType type = PixelType.USUAL.withOrder(a.to(order)).withChip(a.to(chip));
                    Optional<Receiver> to =
                            controller.or(() -> a.to(on).stream().findFirst().map(plan.index()::get));
                    return to.isEmpty()
                            ? PixelEdits.add(plan, a.to(count), a.to(name), a.to(shape), type)
                            : PixelEdits.add(
                                    plan,
                                    to.get(),
                                    a.to(count),
                                    a.to(name),
                                    a.to(shape),
                                    type,
                                    a.to(first).stream().findFirst(),
                                    Optional.empty());
                },
                asks.toArray(Ask<?>[]::new));
    }

    private Addition surrounding() {
        Ask<BodyForm> form = new Ask<>("Form", Formats.word(BodyForm.class), BodyForm.WALL.word());
        Ask<String> name = new Ask<>("Name", TEXT, "");
        Ask<BodySize> size = new Ask<>("Size in metres", PlaceEntries.SIZE_FORMAT, "4 x 0.2 x 3");
        Ask<Position> at = new Ask<>("Middle of its base", FixtureEntries.POSITION_FORMAT, "0 / 0 / 0");
        Ask<Integer> count = count("How many");
        Ask<Position> last = new Ask<>("The last of several", FixtureEntries.POSITION_FORMAT, "0 / 0 / 0");
        return one(
                "Something of the place",
                a -> PlaceEdits.build(
                        plan,
                        a.to(form),
                        a.text(name).orElse(""),
                        a.to(size),
                        0,
                        a.to(count) == 1 ? List.of(a.to(at)) : Spots.line(a.to(at), a.to(last), a.to(count))),
                form,
                name,
                size,
                at,
                count,
                last);
    }

    private Addition viewpoint() {
        Ask<String> name = new Ask<>("Name", TEXT, "View " + (plan.viewpoints().size() + 1));
        Ask<Position> eye = new Ask<>("From", FixtureEntries.POSITION_FORMAT, "0 / -10 / 1.7");
        Ask<Position> target = new Ask<>("Looks at", FixtureEntries.POSITION_FORMAT, "0 / 0 / 1");
        return one("A viewpoint", a -> PlaceEdits.view(plan, a.to(name), a.to(eye), a.to(target)), name, eye, target);
    }

    private Addition groundPicture() {
        Ask<String> name = new Ask<>("Name", TEXT, "From above");
        Ask<Position> corner = new Ask<>("Lower left corner", FixtureEntries.POSITION_FORMAT, "0 / 0 / 0");
        return one(
                "A ground picture, its file to be chosen on the Lit view",
                a -> PlaceEdits.picture(plan, a.to(name), a.to(corner), PictureFile.NONE),
                name,
                corner);
    }

    private Addition universe() {
        int next = UniverseRoutes.nextUniverse(plan);
        Ask<Integer> number = new Ask<>("Number", EntityAdditions.UNIVERSE_NUMBER, String.valueOf(next));
        Ask<String> name = new Ask<>("Name", TEXT, "");
        return one(
                "A universe",
                a -> EntityAdditions.universe(plan, a.to(number), a.text(name).orElse("Universe " + a.to(number))),
                number,
                name);
    }

    private Addition session(Optional<Id<Application>> first) {
        Ask<String> name = new Ask<>("Name", TEXT, "Session");
        Ask<List<Id<Application>>> programs = new Ask<>(
                first.isPresent() ? "With" : "Programs", Formats.list(Formats.reference(Kind.APPLICATION)), " ");
        return one(
                "A session",
                a -> {
                    List<Id<Application>> all = new ArrayList<>(first.stream().toList());
                    all.addAll(a.to(programs));
                    return EntityAdditions.session(plan, a.to(name), EntityAdditions.desks(plan, all));
                },
                name,
                programs);
    }

    // --- to gear ---

    private List<Addition> toHost(Host host) {
        List<Addition> all = new ArrayList<>();
        Ask<String> name = new Ask<>("Name", TEXT, "Network");
        all.add(one("An adapter", a -> Connections.adapter(plan, host, a.to(name)), name));
        if (host.kind() == HostKind.COMPUTER) {
            Ask<Profile> program = new Ask<>("Program", profiles(true), "");
            all.add(new Addition(
                    "A program", List.of(program), a -> DeviceFactory.install(plan, a.to(program), host.id())));
        }
        all.add(cable(host.id()));
        all.add(copy("A label printed on it", host.id()));
        return all;
    }

    private Addition cable(Id<?> from) {
        Ask<CableKind> kind = new Ask<>("Kind", Formats.word(CableKind.class), CableKind.NETWORK.word());
        Ask<Id<?>> to = new Ask<>("To", Formats.reference(List.of(Kind.HOST, Kind.ADAPTER)), "");
        return one(
                "A cable",
                a -> {
                    boolean network = a.to(kind) == CableKind.NETWORK;
                    return Connections.cable(
                            plan,
                            a.to(kind),
                            network ? Connections.socket(plan, from) : from,
                            network ? Connections.socket(plan, a.to(to)) : a.to(to));
                },
                kind,
                to);
    }

    private Addition copy(String title, Id<?> keeper) {
        Ask<String> name = new Ask<>("Field", TEXT, "Address");
        Ask<Id<?>> of = new Ask<>("What it is of", Formats.reference(EntityAdditions.COPIED), "");
        Ask<String> value = new Ask<>("What it says", TEXT, "");
        return one(
                title,
                a -> EntityAdditions.copy(
                        plan, keeper, a.to(of), a.to(name), a.text(value).orElse("")),
                name,
                of,
                value);
    }

    private List<Addition> toProgram(Application program) {
        List<Addition> all = new ArrayList<>();
        Ask<Protocol> protocol = new Ask<>("Protocol", EntityAdditions.PROTOCOLS, Protocol.SACN.title());
        Ask<Id<Universe>> universe = new Ask<>("Universe", Formats.reference(Kind.UNIVERSE), "");
        all.add(one(
                "A universe that it sends",
                a -> EntityAdditions.stream(plan, program, plan.index().universe(a.to(universe)), a.to(protocol)),
                universe,
                protocol));
        Ask<Integer> count = new Ask<>("Universes", Formats.whole("Universes", 1, EntityAdditions.MOST_PORTS), "1");
        all.add(one(
                "An input", a -> EntityAdditions.input(plan, program, a.to(protocol), a.to(count)), protocol, count));
        Ask<Id<Application>> to = new Ask<>("To", Formats.reference(Kind.APPLICATION), "");
        Ask<String> address = new Ask<>("OSC address", TEXT, Connections.USUAL_OSC);
        all.add(one(
                "An OSC link",
                a -> Connections.control(plan, program, plan.index().application(a.to(to)), a.to(address)),
                to,
                address));
        all.add(one(
                "Its own stream to a previs",
                a -> Connections.attach(plan, program, plan.index().application(a.to(to))),
                to));
        all.add(session(Optional.of(program.id())));
        all.add(copy("A field where something is typed in", program.id()));
        return all;
    }

    private Addition ports(Receiver receiver) {
        Ask<PortKind> kind = new Ask<>(
                "Kind",
                Formats.word(PortKind.class),
                receiver.ports().stream()
                        .findFirst()
                        .map(Port::kind)
                        .orElse(PortKind.DMX)
                        .word());
        Ask<Integer> count = count("How many");
        return one("Ports", a -> EntityAdditions.ports(plan, receiver, a.to(kind), a.to(count)), kind, count);
    }

    private Addition route(Receiver receiver) {
        Ask<Id<Application>> source = new Ask<>("From", Formats.reference(Kind.APPLICATION), "");
        Ask<NumberRange> numbers = new Ask<>("Universes", range(), "");
        return one(
                "Universes for it",
                a -> UniverseRoutes.route(plan, plan.index().application(a.to(source)), receiver, a.to(numbers)),
                source,
                numbers);
    }

    private static Format<NumberRange> range() {
        return new Format<>() {
            @Override
            public String shown(Plan plan, NumberRange value) {
                return value.toString();
            }

            @Override
            public NumberRange read(Plan plan, String text) {
                List<NumberRange> all = NumberRange.parse(text);
                if (all.size() != 1) {
                    throw new IllegalArgumentException("One run of universes, such as 5-8, not \"" + text + "\".");
                }
                return all.get(0);
            }

            @Override
            public String hint() {
                return "5-8";
            }
        };
    }

    private List<Addition> toPort(Port port) {
        List<Addition> all = new ArrayList<>();
        Ask<Id<Application>> source = new Ask<>("From", Formats.reference(Kind.APPLICATION), "");
        Ask<Integer> number = new Ask<>(
                "Universe", EntityAdditions.UNIVERSE_NUMBER, String.valueOf(UniverseRoutes.nextUniverse(plan)));
        all.add(one(
                "A universe for it",
                a -> UniverseRoutes.route(plan, plan.index().application(a.to(source)), List.of(port), a.to(number)),
                source,
                number));
        plan.index().linesOf(port.id()).forEach(l -> all.addAll(toLine(l)));
        if (plan.index().linesOf(port.id()).isEmpty() && port.kind() == PortKind.DMX) {
            Ask<String> name = new Ask<>("Name", TEXT, plan.index().name(port.id()) + " line");
            all.add(one("A DMX line", a -> EntityAdditions.line(plan, port, a.to(name)), name));
        }
        return all;
    }

    private List<Addition> toLine(Line line) {
        Ask<Integer> count = count("How many");
        Ask<String> kind = new Ask<>("Kind", TEXT, "fixture");
        Ask<Integer> slots = new Ask<>("Slots of each", Formats.whole("Slots", 1, Universe.SLOTS), "16");
        Ask<Integer> number = new Ask<>(
                "First number",
                Formats.whole("A fixture number", 0, 99_999),
                String.valueOf(FixturePatcher.nextFixtureNumber(plan)));
        return List.of(one(
                "Fixtures",
                a -> FixturePatcher.patch(plan, line, a.to(count), a.to(slots), a.to(kind), a.to(number)),
                count,
                kind,
                slots,
                number));
    }

    private Addition sentBy(Universe universe) {
        Ask<Id<Application>> source = new Ask<>("Sent by", Formats.reference(Kind.APPLICATION), "");
        Ask<Protocol> protocol = new Ask<>("Protocol", EntityAdditions.PROTOCOLS, Protocol.SACN.title());
        return one(
                "A program that sends it",
                a -> EntityAdditions.stream(plan, plan.index().application(a.to(source)), universe, a.to(protocol)),
                source,
                protocol);
    }

    private Addition put(Segment segment) {
        Ask<Id<Adapter>> adapter = new Ask<>("Adapter", Formats.reference(Kind.ADAPTER), "");
        return one("An adapter on it", a -> Connections.onSegment(plan, List.of(a.to(adapter)), segment), adapter);
    }

    private Addition member(Session session) {
        Ask<Id<Application>> program = new Ask<>("Program", Formats.reference(Kind.APPLICATION), "");
        Ask<Part> part = new Ask<>(
                "As", Formats.choice(List.of(Part.values()), Part::title, Format.Control.CHOICE), Part.REMOTE.title());
        return one(
                "A program that enters it",
                a -> EntityAdditions.enter(plan, session, a.to(program), a.to(part)),
                program,
                part);
    }
}
