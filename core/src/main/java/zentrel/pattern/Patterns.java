package zentrel.pattern;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** The patterns that ship. */
public final class Patterns {
    private static final String STREAM_RANGE = "10.58.0.0/16";
    private static final Subnet CONTROL_RANGE = Subnet.parse("10.59.0.0/16");
    private static final String FULL = "full";
    private static final String COMPACT = "compact";

    private static final List<Pattern> ALL = List.of(
            new Pattern(
                    "console-nodes",
                    "Console and nodes",
                    "One console feeds DMX nodes on one network.",
                    List.of(
                            console(),
                            Question.number("nodes", "How many nodes?", 2, 1, 40),
                            Question.choice("size", "How many ports has each?", "4", "1", "16"),
                            Question.number("used", "How many ports of each are used?", 2, 1, 16),
                            range()),
                    Patterns::consoleAndNodes),
            new Pattern(
                    "previs-one-computer",
                    "Console and previs on one computer",
                    "Console software and previs side by side; nothing leaves the computer.",
                    List.of(Question.number("universes", "How many universes?", 4, 1, 32)),
                    Patterns::previsOnOneComputer),
            new Pattern(
                    "previs-two-computers",
                    "Console and previs on two",
                    "A console and a computer with previs, on one network.",
                    List.of(console(), Question.number("universes", "How many universes?", 4, 1, 32), range()),
                    Patterns::previsOnTwo),
            new Pattern(
                    "show-control",
                    "Show control fires a console",
                    "A show-control computer sends cues to a console by OSC; the console feeds a node.",
                    List.of(
                            Question.choice(
                                    "pattern",
                                    "Which message fires a cue?",
                                    "/show/next",
                                    "/evening/next",
                                    "/lights/step"),
                            range()),
                    Patterns::showControl),
            new Pattern(
                    "remote",
                    "Console with a remote",
                    "A console, a node, and a tablet that works on the console by Wi-Fi.",
                    List.of(range()),
                    Patterns::remote),
            new Pattern(
                    "backup",
                    "Console with a backup",
                    "Two consoles in one session: the backup sends the same at a lower priority.",
                    List.of(
                            Question.number("nodes", "How many nodes?", 2, 1, 40),
                            Question.choice("version", "Which version do both run?", "3.6", "3.5", "4.0"),
                            range()),
                    Patterns::backup),
            new Pattern(
                    "pixels",
                    "Pixel sender and controllers",
                    "A console feeds pixel controllers in a range that they accept.",
                    List.of(
                            Question.number("controllers", "How many controllers?", 2, 1, 10),
                            Question.number("outputs", "How many outputs of each are used?", 6, 1, 9),
                            range()),
                    Patterns::pixels),
            new Pattern(
                    "playback",
                    "Stand-alone controller on a house network",
                    "A playback controller with a stored show lights its own lines and a node of the house.",
                    List.of(
                            Question.range("Which range has the house network?", "172.21.40.0/22"),
                            Question.choice("show", "What is the stored show called?", "Evening 1", "House 1")),
                    Patterns::playback));

    private Patterns() {}

    public static List<Pattern> all() {
        return ALL;
    }

    public static Optional<Pattern> find(String id) {
        return ALL.stream().filter(p -> p.id().equals(id)).findFirst();
    }

    private static Question console() {
        return Question.choice("console", "Which console?", FULL, COMPACT);
    }

    private static Question range() {
        return Question.range("Which address range?", STREAM_RANGE);
    }

    /** Networks as the answers want them, and the console on its first. */
    private static Host networks(Rig rig, Answers answers, String kind) {
        rig.segment("Stream", answers.range());
        if (kind.equals(FULL)) {
            rig.segment("Control", apart(answers.range()));
        }
        return rig.box(kind + "-console", kind.equals(FULL) ? "Console" : "Compact console", "Control");
    }

    /** A control range that the stream range does not overlap. */
    private static Subnet apart(Subnet stream) {
        return stream.overlaps(CONTROL_RANGE) ? Subnet.parse("172.22.0.0/16") : CONTROL_RANGE;
    }

    private static void consoleAndNodes(Rig rig, Answers answers) {
        Host console = networks(rig, answers, answers.text("console"));
        List<Host> nodes = rig.boxes("node-" + answers.text("size"), answers.number("nodes"), "Node", "");
        int used = Math.min(answers.number("used"), Integer.parseInt(answers.text("size")));
        for (Host node : nodes) {
            rig.light(rig.program(console), rig.receiver(node), used, 8);
        }
    }

    private static void previsOnOneComputer(Rig rig, Answers answers) {
        rig.segment("Stream", Subnet.parse(STREAM_RANGE));
        Host computer = rig.box("computer", "Computer", "Desk");
        Application console = rig.install("console-software", computer);
        Application previs = rig.install("previs-full", computer);
        // Both on loopback: no adapter, no cable and no firewall is in the way.
        rig.bindAll(console, Binding.LOOPBACK);
        rig.bindAll(previs, Binding.LOOPBACK);
        Receiver input = rig.plan().index().receiversOf(previs.id()).get(0);
        rig.watch(console, input, answers.number("universes"));
    }

    private static void previsOnTwo(Rig rig, Answers answers) {
        Host console = networks(rig, answers, answers.text("console"));
        Host computer = rig.box("computer", "Previs computer", "Desk");
        Application previs = rig.install("previs-full", computer);
        Receiver input = rig.plan().index().receiversOf(previs.id()).get(0);
        rig.watch(rig.program(console), input, answers.number("universes"));
    }

    private static void showControl(Rig rig, Answers answers) {
        Host console = networks(rig, answers, FULL);
        Host node = rig.box("node-4", "Node", "");
        rig.light(rig.program(console), rig.receiver(node), 2, 8);
        Host computer = rig.box("show-control", "Show-control computer", "Control");
        rig.control(rig.program(computer), rig.program(console), answers.text("pattern"));
    }

    private static void remote(Rig rig, Answers answers) {
        Host console = networks(rig, answers, FULL);
        Host node = rig.box("node-4", "Node", "");
        rig.light(rig.program(console), rig.receiver(node), 2, 8);
        rig.box("access-point", "Access point", "Front of house");
        Host tablet = rig.box("tablet", "Tablet", "");
        Segment control = rig.plan().segments().get(1);
        rig.change(zentrel.gear.Connections.onSegment(
                rig.plan(), List.of(tablet.adapters().get(0).id()), control));
        rig.control(rig.program(tablet), rig.program(console), "/lights/select");
        rig.session(
                "Session",
                "evening",
                new Session.Desk(rig.program(console).id(), Part.PRIMARY),
                new Session.Desk(rig.program(tablet).id(), Part.REMOTE));
    }

    private static void backup(Rig rig, Answers answers) {
        Host primary = networks(rig, answers, FULL);
        Host second = rig.box("full-console", "Backup console", "Control");
        rig.version(rig.program(primary), answers.text("version"));
        rig.version(rig.program(second), answers.text("version"));
        rig.session(
                "Session",
                "evening",
                new Session.Desk(rig.program(primary).id(), Part.PRIMARY),
                new Session.Desk(rig.program(second).id(), Part.BACKUP));
        for (Host node : rig.boxes("node-4", answers.number("nodes"), "Node", "")) {
            int first = zentrel.gear.UniverseRoutes.nextUniverse(rig.plan());
            List<Port> ports = rig.receiver(node).ports().subList(0, 2);
            rig.light(rig.program(primary), rig.receiver(node), 2, 8);
            rig.change(zentrel.gear.UniverseRoutes.route(rig.plan(), rig.program(second), current(rig, ports), first));
        }
    }

    private static List<Port> current(Rig rig, List<Port> ports) {
        return ports.stream().map(p -> rig.plan().index().port(p.id())).toList();
    }

    private static void pixels(Rig rig, Answers answers) {
        Subnet range = answers.range();
        if (!Subnet.parse("2.0.0.0/8").contains(range.network())
                && !Subnet.parse("10.0.0.0/8").contains(range.network())) {
            throw new IllegalArgumentException(
                    "Which address range? The controllers accept addresses in 2.0.0.0/8 and 10.0.0.0/8 only, not in "
                            + range + ".");
        }
        Host console = networks(rig, answers, FULL);
        for (Host controller : rig.boxes("pixel-controller", answers.number("controllers"), "Pixel controller", "")) {
            rig.light(rig.program(console), rig.receiver(controller), answers.number("outputs"), 1);
        }
    }

    private static void playback(Rig rig, Answers answers) {
        rig.segment("House", answers.range());
        Host box = rig.box("playback-controller", "Playback controller", "Rack");
        Application playback = rig.program(box);
        String show = answers.text("show");
        rig.change(new Edit(
                "Store " + show,
                p -> p.with(
                        playback.id(), a -> a.withInstalled(a.installed().withShow(Optional.of(Setting.of(show)))))));
        rig.light(playback, rig.receiver(box), 2, 8);
        Host node = rig.box("node-4", "House node", "");
        rig.light(rig.program(box), rig.receiver(node), 2, 8);
    }
}
