package zentrel.app.bench;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.found.DeviceDifference;
import zentrel.found.DeviceMatch;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.found.FoundEdits;
import zentrel.live.NodeSetter;
import zentrel.live.NodeSetting;
import zentrel.net.NetAdapter;
import zentrel.net.OutputGuard;
import zentrel.path.Verdict;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;

/** What to do about one device: what differs, and the ways to settle it. */
final class DeviceDetail extends VBox {
    private final OpenDocument document;
    private final LiveSession session;
    private final Label result = Texts.wrapped("", "soft", "small");
    private @Nullable DeviceRow shown;
    private @Nullable NodeSetting back;
    private final Label facts = Texts.wrapped("", "soft", "small");
    private boolean busy;
    private boolean armed;

    DeviceDetail(OpenDocument document, LiveSession session) {
        super(6);
        this.document = document;
        this.session = session;
        result.setId("live-set-result");
    }

    /** Shows a device; nothing is built anew where it is the same. */
    void show(DeviceRow row, long now) {
        boolean nowArmed = session.state() == OutputGuard.State.ARMED;
        if (row.looksAs(shown) && nowArmed == armed && !getChildren().isEmpty()) {
            row.found().ifPresent(f -> facts.setText(facts(f, now)));
            return;
        }
        armed = nowArmed;
        if (!row.isSameAs(shown)) {
            result.setText("");
            back = null;
        }
        shown = row;
        build(row, now);
    }

    private void build(DeviceRow row, long now) {
        getChildren().clear();
        Plan plan = document.plan();
        Optional<Host> host =
                row.host().filter(h -> plan.index().find(h).isPresent()).map(plan.index()::host);
        getChildren()
                .add(Texts.of(
                        host.map(h -> plan.index().name(h.id()))
                                .orElseGet(() ->
                                        row.found().map(FoundDevice::title).orElse("")),
                        "strong"));
        if (row.found().isEmpty()) {
            getChildren()
                    .add(Texts.wrapped(
                            "It has not been found. Is it on, cabled and in this network? Ask, and see its row here.",
                            "soft",
                            "small"));
            return;
        }
        FoundDevice found = row.found().get();
        facts.setText(facts(found, now));
        getChildren().add(facts);
        row.device()
                .map(LiveDevice::match)
                .filter(m -> m.host().isPresent())
                .ifPresent(m -> getChildren()
                        .add(Texts.wrapped(
                                "It is taken for this one by "
                                        + m.reasons().stream()
                                                .map(DeviceMatch.Reason::words)
                                                .collect(Collectors.joining(", "))
                                        + " (" + m.score() + ").",
                                "soft",
                                "small")));
        reach(found);
        found.remarks().forEach(r -> getChildren().add(Texts.wrapped(r, "at-risk", "small")));
        if (host.isPresent()) {
            ofThePlan(host.get(), found, row);
        } else {
            notInThePlan(plan, found);
        }
        getChildren().add(result);
        if (!found.ports().isEmpty()) {
            getChildren().add(new RdmPane(document, session, found, host));
        }
    }

    private static String facts(FoundDevice found, long now) {
        return Stream.of(
                        "found " + DeviceColumn.ago(now - found.lastHeard()) + " ago",
                        found.mac().map(m -> "MAC " + m).orElse(""),
                        found.version().isEmpty() ? "" : "version " + found.version(),
                        found.report())
                .filter(s -> !s.isBlank())
                .collect(Collectors.joining(" · "));
    }

    private void reach(FoundDevice found) {
        if (found.state() == DeviceState.OUT_OF_REACH) {
            Optional<NetAdapter> adapter = session.adapter();
            String name = adapter.map(NetAdapter::name).orElse("ADAPTER");
            String second = found.address().plus(1) + "/24";
            getChildren()
                    .add(Texts.wrapped(
                            "This computer has no address in its range. Move it: set its address while this computer has a"
                                    + " second one there. On Linux: sudo ip addr add " + second + " dev " + name
                                    + "; afterwards: sudo ip addr del " + second + " dev " + name + ".",
                            "at-risk",
                            "small"));
        } else if (found.state() == DeviceState.DUPLICATE_ADDRESS) {
            getChildren()
                    .add(Texts.wrapped(
                            "Another device has this address too, as their hardware addresses tell. Unplug one, set the"
                                    + " other to an address of its own, then plug it in again: one at a time.",
                            "at-risk",
                            "small"));
        }
    }

    private void ofThePlan(Host host, FoundDevice found, DeviceRow row) {
        if (row.differences().isEmpty()) {
            getChildren().add(line(Mark.of(Verdict.PASSES), Texts.of("As planned.", "small")));
        } else {
            getChildren().add(table(row.differences()));
        }
        FoundDevice compared = row.device().map(d -> d.match().device()).orElse(found);
        NodeSetting wanted = row.device().map(LiveDevice::wanted).orElse(NodeSetting.NOTHING);
        FlowPane buttons = new FlowPane(6, 6);
        if (!row.differences().isEmpty()) {
            if (!wanted.isNothing()) {
                Button set = Buttons.action("Set it on the device", "live-set", () -> set(found, wanted));
                set.setDisable(!armed || busy);
                buttons.getChildren().add(set);
            }
            buttons.getChildren()
                    .addAll(
                            Buttons.quiet(
                                    "Put it into the plan",
                                    "live-into-plan",
                                    () -> document.apply(FoundEdits.intoPlan(host.id(), compared))),
                            Buttons.quiet(
                                    "It is in force so",
                                    "live-in-force",
                                    () -> document.apply(FoundEdits.inForce(host.id(), compared))));
        }
        Button blink =
                Buttons.quiet("Blink its lights", "live-blink", () -> set(found, NodeSetting.NOTHING.withLocate(true)));
        blink.setDisable(!armed || busy || found.ports().isEmpty());
        buttons.getChildren().add(blink);
        NodeSetting undo = back;
        if (undo != null) {
            Button putBack = Buttons.quiet("Put it back as it was", "live-put-back", () -> set(found, undo));
            putBack.setDisable(!armed || busy);
            buttons.getChildren().add(putBack);
        }
        getChildren().add(buttons);
        if (!wanted.isNothing()) {
            getChildren().add(Texts.wrapped(preview(found, wanted) + (armed ? "" : " Arm first."), "soft", "small"));
        }
    }

    private static String preview(FoundDevice found, NodeSetting wanted) {
        try {
            return "Would be sent: " + String.join("; ", NodeSetter.preview(found, wanted)) + ".";
        } catch (IllegalArgumentException e) {
            return String.valueOf(e.getMessage());
        }
    }

    private void set(FoundDevice found, NodeSetting wanted) {
        busy = true;
        result.setText("Setting …");
        session.tasks().set(found, wanted, result::setText, (outcome, words) -> {
            busy = false;
            result.setText(words);
            outcome.ifPresent(o -> back = wanted.undoing(o.before(), o.mask()));
            DeviceRow row = shown;
            if (row != null) {
                build(row, found.lastHeard());
            }
        });
    }

    private void notInThePlan(Plan plan, FoundDevice found) {
        getChildren()
                .add(Texts.wrapped(
                        found.ports().isEmpty()
                                ? "It is not in the plan."
                                : "It is not in the plan. Its ports: "
                                        + found.ports().stream()
                                                .map(p -> p.number() + " "
                                                        + p.protocol().title() + " " + p.wire())
                                                .collect(Collectors.joining(", "))
                                        + ".",
                        "soft",
                        "small"));
        ComboBox<Host> which = new ComboBox<>();
        which.setId("live-which");
        which.setAccessibleText("Device of the plan");
        which.setPromptText("… or choose");
        which.setPrefWidth(150);
        which.getItems().setAll(plan.hosts());
        which.setConverter(Named.by(h -> plan.index().name(h.id())));
        Button is = Buttons.quiet("This is that one", "live-is", () -> {
            Host host = which.getValue();
            if (host != null) {
                document.apply(FoundEdits.isThatOne(host.id(), found));
            }
        });
        is.disableProperty().bind(which.valueProperty().isNull());
        Optional<Id<Segment>> segment = plan.segments().stream()
                .filter(s -> s.subnet().filter(n -> n.contains(found.address())).isPresent())
                .findFirst()
                .map(Segment::id);
        int prefix = segment.flatMap(s -> plan.index().segment(s).subnet())
                .map(n -> n.prefixLength())
                .orElse(8);
        FlowPane buttons = new FlowPane(
                6,
                6,
                Buttons.action(
                        "Put it into the plan",
                        "live-add",
                        () -> document.apply(FoundEdits.added(found, segment, prefix))),
                which,
                is);
        buttons.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(buttons);
    }

    private static Node table(List<DeviceDifference> differences) {
        GridPane grid = new GridPane(10, 2);
        grid.add(Texts.heading("Plan"), 1, 0);
        grid.add(Texts.heading("Device"), 2, 0);
        int y = 1;
        for (DeviceDifference d : differences) {
            String what =
                    d.port().map(p -> "port " + p + " ").orElse("") + d.what().words();
            grid.add(Texts.of(what, "soft", "small"), 0, y);
            grid.add(Texts.mono(d.planned(), "small"), 1, y);
            grid.add(Texts.mono(d.found(), "small", "broken"), 2, y);
            y++;
        }
        return grid;
    }

    private static Node line(Node... nodes) {
        HBox box = new HBox(6, nodes);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }
}
