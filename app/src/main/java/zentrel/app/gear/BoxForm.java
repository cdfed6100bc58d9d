package zentrel.app.gear;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.entry.Renames;
import zentrel.gear.Connections;
import zentrel.gear.SettingRollout;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.ProfileApplication;
import zentrel.profile.Protocol;
import zentrel.text.Numbers;

/** One box as a form: what it is called, where it stands, its power, its adapters, and each program with its bindings. */
final class BoxForm extends VBox {
    private static final String NONE = "none";

    private final OpenDocument document;
    private final Plan plan;
    private final Host host;
    private final GridPane grid = new GridPane();
    private final List<Change> changes = new ArrayList<>();
    private int line;

    /** One field as a change of the plan; the same plan back where the field is as it was. */
    interface Change {
        Plan applyTo(Plan plan);
    }

    BoxForm(OpenDocument document, Id<Host> id, Runnable away) {
        super(12);
        this.document = document;
        this.plan = document.plan();
        this.host = plan.index().host(id);
        grid.setHgap(16);
        grid.setVgap(8);
        names();
        power();
        TrafficFields.switching(this, plan, host);
        host.adapters().forEach(this::adapter);
        plan.index().applicationsOn(id).forEach(this::program);
        ScrollPane scroll = new ScrollPane(grid);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Button keep = new Button("Save");
        keep.setId("form-keep");
        keep.getStyleClass().add("action");
        keep.setDefaultButton(true);
        keep.setOnAction(e -> keep(away, false));
        Button later = new Button("Plan these for later");
        later.setId("form-later");
        later.getStyleClass().add("quiet");
        later.setOnAction(e -> keep(away, true));
        Button back = new Button("Discard");
        back.getStyleClass().add("quiet");
        back.setCancelButton(true);
        back.setOnAction(e -> away.run());
        HBox row = new HBox(12, keep, later, back);
        row.setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(
                        Texts.of(host.name(), "title"),
                        Texts.wrapped(
                                plan.index()
                                        .profileOf(host)
                                        .map(p -> p.name() + ". " + p.summary())
                                        .orElse(host.kind().word().replace('-', ' ')),
                                "soft"),
                        scroll,
                        row);
    }

    /** Makes the changes; where they are for later, settings of the device are only planned. */
    private void keep(Runnable away, boolean later) {
        try {
            Plan next = plan;
            for (Change change : changes) {
                next = change.applyTo(next);
            }
            Plan result = next;
            Edit edit = new Edit("Change " + host.name(), p -> result);
            document.apply(later ? SettingRollout.onlyPlanned(edit) : edit);
            away.run();
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
        }
    }

    /** Adds something that is done to the plan when the form is kept. */
    void onKeep(Change change) {
        changes.add(change);
    }

    // --- rows ---

    void heading(String text) {
        javafx.scene.control.Label label = Texts.of(text, "strong");
        label.setPadding(new javafx.geometry.Insets(12, 0, 0, 0));
        grid.add(label, 0, line++, 2, 1);
    }

    private void row(String label, Node field, String id) {
        field.setId("form-" + id);
        field.setAccessibleText(label);
        grid.add(Texts.of(label, "soft"), 0, line);
        grid.add(field, 1, line++);
    }

    TextField text(String label, String id, String now) {
        TextField field = new TextField(now);
        field.setPrefWidth(260);
        row(label, field, id);
        return field;
    }

    ComboBox<String> choice(String label, String id, List<String> choices, String now) {
        ComboBox<String> box = new ComboBox<>();
        box.getItems().setAll(choices);
        box.setValue(now);
        box.setPrefWidth(260);
        row(label, box, id);
        return box;
    }

    CheckBox tick(String label, String id, boolean now) {
        CheckBox box = new CheckBox();
        box.setSelected(now);
        row(label, box, id);
        return box;
    }

    // --- the box ---

    private void names() {
        TextField name = text("Name", "name", host.name());
        changes.add(p -> name.getText().strip().equals(host.name())
                ? p
                : Renames.of(p, host.id(), name.getText()).applyTo(p));
        TextField place = text("Place", "place", host.place());
        changes.add(p -> p.with(host.id(), h -> h.withPlace(place.getText().strip())));
    }

    private void power() {
        CheckBox on = tick("Switched on", "on", host.power().on());
        Map<String, CheckBox> supplies = new LinkedHashMap<>();
        host.supplies(plan.index())
                .forEach(s -> supplies.put(
                        s.name(),
                        tick(
                                "Powered by " + s.name()
                                        + (s.watts() > 0 ? ", " + Numbers.plain(s.watts()) + " W" : ""),
                                "supply-" + s.name(),
                                host.power().supplies().contains(s.name()))));
        changes.add(p -> p.with(
                host.id(),
                h -> h.withPower(new Power(
                        on.isSelected(),
                        supplies.isEmpty()
                                ? h.power().supplies()
                                : supplies.entrySet().stream()
                                        .filter(e -> e.getValue().isSelected())
                                        .map(Map.Entry::getKey)
                                        .toList(),
                        h.power().volts()))));
    }

    private void adapter(Adapter adapter) {
        heading(adapter.name()
                + (adapter.addresses().isEmpty()
                        ? ""
                        : "  " + adapter.addresses().get(0).inForce()));
        List<String> segments = new ArrayList<>(List.of(NONE));
        plan.segments().forEach(s -> segments.add(s.name()));
        String now = adapter.segment().map(plan.index()::name).orElse(NONE);
        ComboBox<String> segment = choice("On the segment", adapter.id().value() + "-segment", segments, now);
        CheckBox plugged = tick("Plugged in", adapter.id().value() + "-plugged", adapter.carrier());
        TextField gateway = text(
                "Gateway",
                adapter.id().value() + "-gateway",
                adapter.gateway().map(Ipv4Address::toString).orElse(""));
        TextField mac = text(
                "Hardware address", adapter.id().value() + "-mac", adapter.mac().orElse(""));
        TextField routes = text(
                "Routes",
                adapter.id().value() + "-routes",
                String.join(", ", adapter.routes().stream().map(Route::text).toList()));
        routes.setPromptText("10.90.0.0/16 by 10.41.0.9, …");
        TextField metric = text(
                "Metric",
                adapter.id().value() + "-metric",
                adapter.metric().map(String::valueOf).orElse(""));
        TextField pool = text(
                "DHCP server for",
                adapter.id().value() + "-pool",
                adapter.serves().map(s -> s.first() + " to " + s.last()).orElse(""));
        pool.setPromptText("10.41.200.1 to 10.41.200.99");
        CheckBox serving = tick(
                "DHCP server is on",
                adapter.id().value() + "-serving",
                adapter.serves().map(s -> s.enabled().inForce()).orElse(true));
        CheckBox pinned = tick("Keeps its address", adapter.id().value() + "-pinned", adapter.pinned());
        changes.add(p -> p.with(
                adapter.id(),
                a -> a.withRoutes(Route.parse(routes.getText()))
                        .withMetric(metric(metric.getText()))
                        .withServes(served(adapter, pool.getText(), serving.isSelected()))
                        .withPinned(pinned.isSelected())));
        changes.add(p -> p.with(adapter.id(), a -> told(a, gateway.getText(), mac.getText())));
        TrafficFields.plug(this, adapter);
        changes.add(p -> {
            Plan next = p;
            if (!segment.getValue().equals(now)) {
                Optional<Segment> wanted = plan.segments().stream()
                        .filter(s -> s.name().equals(segment.getValue()))
                        .findFirst();
                next = wanted.isPresent()
                        ? Connections.onSegment(next, List.of(adapter.id()), wanted.get())
                                .applyTo(next)
                        : next.with(adapter.id(), Adapter::withoutSegment);
            }
            return plugged.isSelected() == adapter.carrier()
                    ? next
                    : next.with(adapter.id(), a -> a.withCarrier(plugged.isSelected()));
        });
    }

    private static Optional<Integer> metric(String text) {
        String plain = text.strip();
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        if (!plain.matches("\\d{1,9}")) {
            throw new IllegalArgumentException("\"" + plain + "\" is no metric; a whole number is, the lowest first.");
        }
        return Optional.of(Integer.parseInt(plain));
    }

    private static Optional<DhcpServer> served(Adapter adapter, String text, boolean on) {
        String plain = text.strip();
        if (plain.isEmpty()) {
            return Optional.empty();
        }
        String[] ends = plain.split("\\s+to\\s+|\\s*-\\s*", -1);
        if (ends.length != 2) {
            throw new IllegalArgumentException("\"" + plain
                    + "\" is no pool; write its first and last address, as in 10.41.200.1 to 10.41.200.99.");
        }
        Setting<Boolean> enabled = adapter.serves()
                .map(DhcpServer::enabled)
                .filter(e -> e.inForce() == on)
                .orElse(Setting.of(on));
        return Optional.of(new DhcpServer(enabled, Ipv4Address.parse(ends[0]), Ipv4Address.parse(ends[1])));
    }

    private static Adapter told(Adapter a, String gateway, String mac) {
        return a.withGateway(
                        Optional.of(gateway.strip()).filter(g -> !g.isEmpty()).map(Ipv4Address::parse))
                .withMac(Optional.of(mac.strip()).filter(m -> !m.isEmpty()));
    }

    // --- programs ---

    private void program(Application a) {
        heading(a.name());
        String id = a.id().value();
        Optional<ProfileApplication> profile = plan.index().profileOf(a);
        String version = a.version().map(Setting::inForce).orElse("");
        TextField typed = text("Version", id + "-version", version);
        changes.add(p -> typed.getText().strip().equals(version)
                ? p
                : p.with(a.id(), x -> x.withVersion(typed.getText().strip())));
        profile.ifPresent(like -> licence(a, like));
        for (Purpose purpose : Purpose.values()) {
            Setting<Binding> binding = a.bindings().get(purpose);
            if (binding != null) {
                binding(a, purpose, binding.inForce());
            }
        }
        for (Protocol protocol : Protocol.values()) {
            ProtocolOutput output = a.outputs().get(protocol);
            if (output != null) {
                CheckBox on = tick(
                        protocol.title() + " output",
                        id + "-" + protocol.word(),
                        output.enabled().inForce());
                changes.add(p -> on.isSelected() == output.enabled().inForce()
                        ? p
                        : p.with(
                                a.id(),
                                x -> x.withOutput(protocol, x.output(protocol).withEnabled(on.isSelected()))));
            }
        }
        TrafficFields.sacn(this, plan, a);
        TrafficFields.attachments(this, plan, a);
        for (Receiver receiver : plan.index().receiversOf(a.id())) {
            TrafficFields.receiver(this, receiver);
            receiver.ports().forEach(port -> port(receiver, port));
        }
    }

    /** One port in one row: its protocol, what it is for, whether it is on. */
    private void port(Receiver receiver, Port port) {
        ComboBox<String> protocol = new ComboBox<>();
        receiver.protocols().stream().sorted().forEach(x -> protocol.getItems().add(x.title()));
        String protocolNow = port.protocol().inForce().title();
        if (!protocol.getItems().contains(protocolNow)) {
            protocol.getItems().add(protocolNow);
        }
        protocol.setValue(protocolNow);
        protocol.setPrefWidth(96);
        protocol.setId("form-" + port.id().value() + "-protocol");
        protocol.setAccessibleText(port.name() + ", protocol");
        ComboBox<String> direction = new ComboBox<>();
        for (Direction d : Direction.values()) {
            direction.getItems().add(d.word());
        }
        direction.setValue(port.direction().inForce().word());
        direction.setPrefWidth(96);
        direction.setId("form-" + port.id().value() + "-direction");
        direction.setAccessibleText(port.name() + ", output or input");
        CheckBox on = new CheckBox("on");
        on.setSelected(port.enabled().inForce());
        on.setAccessibleText(port.name() + " is on");
        HBox fields = new HBox(10, protocol, direction, on);
        fields.setAlignment(Pos.CENTER_LEFT);
        row(port.name(), fields, port.id().value());
        changes.add(p -> p.with(
                port.id(),
                x -> x.withDirection(changed(
                                x.direction(),
                                direction.getValue().equals(Direction.INPUT.word())
                                        ? Direction.INPUT
                                        : Direction.OUTPUT))
                        .withEnabled(changed(x.enabled(), on.isSelected()))
                        .withProtocol(changed(
                                x.protocol(),
                                receiver.protocols().stream()
                                        .filter(q -> q.title().equals(protocol.getValue()))
                                        .findFirst()
                                        .orElse(port.protocol().inForce())))));
    }

    /** A setting with a value in force; as it was, with what is planned, where the field was not touched. */
    private static <T> Setting<T> changed(Setting<T> now, T value) {
        return now.inForce().equals(value) ? now : Setting.of(value);
    }

    private void licence(Application a, ProfileApplication like) {
        String id = a.id().value();
        if (!like.licences().isEmpty()) {
            List<String> licences = new ArrayList<>(List.of(NONE));
            licences.addAll(like.licences());
            String now = a.installed().licenceNow().orElse(NONE);
            ComboBox<String> licence = choice("Licence", id + "-licence", licences, now);
            changes.add(p -> p.with(
                    a.id(),
                    x -> x.withInstalled(x.installed()
                            .withLicence(Optional.of(licence.getValue())
                                    .filter(l -> !l.equals(NONE))
                                    .map(l -> x.installed()
                                            .licence()
                                            .map(s -> changed(s, l))
                                            .orElseGet(() -> Setting.of(l)))))));
        }
        for (String hardware : like.attachments()) {
            CheckBox attached = tick(
                    "With " + hardware,
                    id + "-" + hardware,
                    a.installed().attached().contains(hardware));
            changes.add(p -> p.with(a.id(), x -> {
                List<String> list = new ArrayList<>(x.installed().attached());
                list.remove(hardware);
                if (attached.isSelected()) {
                    list.add(hardware);
                }
                return x.withInstalled(x.installed().withAttached(list));
            }));
        }
        if (like.storesShow()) {
            String now = a.installed().show().map(Setting::inForce).orElse("");
            TextField show = text("Stored show and its version", id + "-show", now);
            changes.add(p -> show.getText().strip().equals(now)
                    ? p
                    : p.with(
                            a.id(),
                            x -> x.withInstalled(x.installed()
                                    .withShow(Optional.of(show.getText().strip())
                                            .filter(s -> !s.isEmpty())
                                            .map(Setting::of)))));
        }
    }

    private void binding(Application a, Purpose purpose, Binding now) {
        List<String> choices =
                new ArrayList<>(host.adapters().stream().map(Adapter::name).toList());
        for (BindingMode mode : BindingMode.values()) {
            if (mode != BindingMode.ADAPTERS) {
                choices.add(mode.word());
            }
        }
        String shown = now.mode() == BindingMode.ADAPTERS
                ? String.join(
                        ", ",
                        now.adapters().stream()
                                .map(x -> plan.index().adapter(x).name())
                                .toList())
                : now.mode().word();
        if (!choices.contains(shown)) {
            choices.add(0, shown);
        }
        ComboBox<String> box = choice(purpose.title(), a.id().value() + "-" + purpose.word(), choices, shown);
        changes.add(p -> {
            if (box.getValue().equals(shown)) {
                return p;
            }
            Optional<Adapter> adapter = host.adapters().stream()
                    .filter(x -> x.name().equals(box.getValue()))
                    .findFirst();
            if (adapter.isPresent()) {
                return Connections.bind(a, Set.of(purpose), adapter.get()).applyTo(p);
            }
            Binding binding = switch (box.getValue()) {
                case "all" -> Binding.ALL;
                case "first" -> Binding.FIRST;
                case "loopback" -> Binding.LOOPBACK;
                default -> Binding.AUTOMATIC;
            };
            return p.with(a.id(), x -> x.withBinding(purpose, Setting.of(binding)));
        });
    }
}
