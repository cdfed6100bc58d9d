package zentrel.app.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.SendJob;
import zentrel.live.SendLook;
import zentrel.live.SendPattern;
import zentrel.live.StreamSeen;
import zentrel.live.Takeover;
import zentrel.net.OutputGuard;
import zentrel.plan.Delivery;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.NumberRange;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;
import zentrel.universe.SacnUniverse;

/** Sends test levels, or borrows a universe from who sends it: first what that does is said, then it is done. */
final class SendPane extends VBox {
    private static final int MOST_UNIVERSES = 512;
    private static final double STEP_SECONDS = 0.5;
    private static final int COUNT_FROM = 3;

    private final OpenDocument document;
    private final LiveSession session;
    private final ComboBox<Protocol> protocol = new ComboBox<>();
    private final TextField universes = field("1", "Universes", "send-universes", 5);
    private final ComboBox<SendPattern> pattern = new ComboBox<>();
    private final TextField first = field("1", "First slot", "send-first", 3);
    private final TextField last = field("512", "Last slot", "send-last", 3);
    private final TextField level = field("255", "Level", "send-level", 3);
    private final TextField priority = field("100", "Priority", "send-priority", 3);
    private final TextField rate = field("40", "Packets a second, 1 to 44", "send-rate", 3);
    private final ComboBox<Delivery> delivery = new ComboBox<>();
    private final TextField to = field("", "Addresses for unicast", "send-to", 9);
    private final TextField sync = field("0", "sACN synchronization universe, 0 for none", "send-sync", 3);
    private final Button fixture =
            Buttons.quiet("Only the slots of the selected fixture", "send-fixture", this::takeFixture);
    private final Timeline countdown = new Timeline();
    private int counted;
    private final CheckBox preview = new CheckBox("preview");
    private final CheckBox zero = new CheckBox("zero at the end");
    private final Button send = Buttons.action("Send", "send-start", this::sendOrStop);
    private final Label owner = Texts.wrapped("", "soft", "small");
    private LiveSnapshot seen = LiveSnapshot.EMPTY;

    SendPane(OpenDocument document, LiveSession session) {
        super(6);
        this.document = document;
        this.session = session;
        protocol.getItems().setAll(Protocol.ARTNET, Protocol.SACN);
        protocol.setConverter(Named.by(Protocol::title));
        protocol.setValue(Protocol.SACN);
        protocol.setId("send-protocol");
        protocol.setAccessibleText("Protocol");
        protocol.setPrefWidth(95);
        pattern.getItems().setAll(SendPattern.values());
        pattern.setConverter(Named.by(SendPattern::words));
        pattern.setValue(SendPattern.ALL);
        pattern.setId("send-pattern");
        pattern.setAccessibleText("Pattern");
        pattern.setPrefWidth(150);
        owner.setId("send-owner");
        delivery.setConverter(Named.by(Delivery::word));
        delivery.setId("send-delivery");
        delivery.setAccessibleText("Delivery");
        delivery.setPrefWidth(105);
        to.setPromptText("10.0.0.9, …");
        protocol.valueProperty().addListener(o -> deliveries());
        delivery.valueProperty().addListener(o -> showOnly(to, delivery.getValue() == Delivery.UNICAST));
        deliveries();
        countdown.setCycleCount(COUNT_FROM);
        protocol.valueProperty().addListener(o -> sayOwner());
        universes.textProperty().addListener(o -> sayOwner());
        priority.textProperty().addListener(o -> sayOwner());
        getChildren()
                .addAll(
                        Texts.of("Send", "strong"),
                        row(protocol, universes, pattern),
                        row(delivery, to, soft("sync"), sync),
                        fixture,
                        row(soft("slots"), first, soft("to"), last, soft("at"), level),
                        row(soft("priority"), priority, soft("rate"), rate),
                        row(preview, zero),
                        owner,
                        row(send, Buttons.quiet("Win over them", "send-borrow", this::win)));
    }

    private static Label soft(String text) {
        return Texts.of(text, "soft", "small");
    }

    private static Node row(Node... nodes) {
        FlowPane row = new FlowPane(6, 4, nodes);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static TextField field(String text, String name, String id, int columns) {
        TextField field = new TextField(text);
        field.setPrefColumnCount(columns);
        field.setId(id);
        field.getStyleClass().add("mono");
        field.setAccessibleText(name);
        return field;
    }

    /** The deliveries that a protocol has, with its usual one chosen. */
    private void deliveries() {
        boolean sacn = protocol.getValue() == Protocol.SACN;
        delivery.getItems()
                .setAll(
                        sacn
                                ? List.of(Delivery.MULTICAST, Delivery.UNICAST)
                                : List.of(Delivery.BROADCAST, Delivery.LIMITED_BROADCAST, Delivery.UNICAST));
        delivery.setValue(SendJob.usual(protocol.getValue()));
        sync.setDisable(!sacn);
        priority.setDisable(!sacn);
        preview.setDisable(!sacn);
        showOnly(to, false);
    }

    private static void showOnly(Node node, boolean value) {
        node.setVisible(value);
        node.setManaged(value);
    }

    private Optional<Fixture> selectedFixture() {
        Id<?> id = document.selectionProperty().get();
        return id == null
                ? Optional.empty()
                : id.as(Kind.FIXTURE).flatMap(f -> document.plan().index().find(f));
    }

    /** Aims at the slots of the fixture that is selected. */
    private void takeFixture() {
        Plan plan = document.plan();
        selectedFixture()
                .ifPresent(f -> f.universes().stream()
                        .flatMap(u -> UniverseKey.of(plan, u).stream().map(k -> {
                            choose(k);
                            int[] slots = f.slotsIn(u).toArray();
                            first.setText(String.valueOf(slots[0]));
                            last.setText(String.valueOf(slots[slots.length - 1]));
                            return k;
                        }))
                        .findFirst()
                        .ifPresentOrElse(
                                k -> {},
                                () -> document.tell(
                                        "No program of the plan sends the universe of " + f.label() + ".")));
    }

    /** Takes the universe that is chosen elsewhere. */
    void choose(UniverseKey key) {
        protocol.setValue(key.protocol());
        universes.setText(String.valueOf(key.number()));
    }

    void show(LiveSnapshot now) {
        seen = now;
        boolean sends = now.sending().isPresent();
        selectedFixture().ifPresent(f -> fixture.setText("Only the slots of " + f.label()));
        showOnly(fixture, selectedFixture().isPresent());
        send.setText(
                sends ? "Stop sending" : isCounting() ? "Taking over in " + counted + " …  keep it theirs" : "Send");
        send.setDisable(!sends && session.state() != OutputGuard.State.ARMED);
        sayOwner();
    }

    private Optional<Takeover> takeover() {
        try {
            var numbers = numbers();
            var streams =
                    seen.universes().stream().flatMap(u -> u.sources().stream()).toList();
            int wanted = Integer.parseInt(priority.getText().strip());
            return Optional.of(Takeover.of(protocol.getValue(), numbers.get(0), notOwn(streams), wanted));
        } catch (IllegalArgumentException e) {
            return Optional.empty(); // said when it is sent
        }
    }

    private static List<StreamSeen> notOwn(List<StreamSeen> streams) {
        return streams.stream().filter(s -> !s.name().equals("Zentrel bench")).toList();
    }

    private List<Integer> numbers() {
        List<Integer> all = NumberRange.parse(universes.getText().strip()).stream()
                .flatMapToInt(r -> IntStream.rangeClosed(r.first(), Math.min(r.last(), r.first() + MOST_UNIVERSES)))
                .distinct()
                .boxed()
                .toList();
        if (all.isEmpty() || all.size() > MOST_UNIVERSES) {
            throw new IllegalArgumentException("Name 1 to " + MOST_UNIVERSES + " universes, such as 5 or 1–8.");
        }
        for (int each : all) {
            if (!protocol.getValue().carries(each)) {
                throw new IllegalArgumentException(protocol.getValue().title() + " goes from "
                        + protocol.getValue().firstNumber() + " to "
                        + protocol.getValue().lastNumber() + ", not " + each + ".");
            }
        }
        return all;
    }

    private void sayOwner() {
        String words = seen.sending()
                .map(s -> "Sending " + s + ".")
                .orElseGet(() -> takeover().map(Takeover::words).orElse("")
                        + (session.state() == OutputGuard.State.ARMED ? "" : " Arm first."));
        if (!words.equals(owner.getText())) {
            owner.setText(words);
        }
    }

    private void win() {
        takeover().ifPresent(t -> priority.setText(String.valueOf(Math.max(t.needed(), 100))));
    }

    private boolean isCounting() {
        return countdown.getStatus() == Animation.Status.RUNNING;
    }

    private void sendOrStop() {
        if (seen.sending().isPresent()) {
            session.stopSending();
            return;
        }
        if (isCounting()) {
            callOff();
            return;
        }
        try {
            SendJob job = job(); // what is sent is what was there when it was asked for, whatever is typed meanwhile
            String words = protocol.getValue().title() + " "
                    + universes.getText().strip() + ", " + pattern.getValue().words();
            if (takeover().filter(t -> !t.owners().isEmpty()).isPresent()) {
                counted = COUNT_FROM;
                countdown.getKeyFrames().setAll(new KeyFrame(Duration.seconds(1), e -> count(job, words)));
                countdown.playFromStart();
                show(seen);
            } else {
                start(job, words);
            }
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
        }
    }

    /** Nothing is taken over any more; also where all output is stopped. */
    void callOff() {
        countdown.stop();
        show(seen);
    }

    /** Somebody else sends what is to be sent: one has three seconds to think again. */
    private void count(SendJob job, String words) {
        counted--;
        if (session.state() != OutputGuard.State.ARMED) {
            callOff();
        } else if (counted == 0) {
            countdown.stop();
            start(job, words);
        }
        show(seen);
    }

    private void start(SendJob job, String words) {
        session.send(List.of(job), words, problem -> problem.ifPresent(document::tell));
    }

    private SendJob job() {
        Protocol by = protocol.getValue();
        int at = document.settings()
                .get()
                .levels()
                .parse(level.getText())
                .orElseThrow(() -> new IllegalArgumentException("A level goes from 0 to 255, or 0 to 100 %."));
        List<Ipv4Address> addresses = delivery.getValue() == Delivery.UNICAST ? addresses() : List.of();
        return new SendJob(
                by,
                numbers(),
                delivery.getValue(),
                addresses,
                number(priority, 0, 200),
                preview.isSelected(),
                by == Protocol.SACN ? number(sync, 0, SacnUniverse.LAST) : 0,
                number(rate, 1, 44),
                new SendLook.Moving(pattern.getValue(), number(first, 1, 512), number(last, 1, 512), at, STEP_SECONDS),
                zero.isSelected());
    }

    private List<Ipv4Address> addresses() {
        List<Ipv4Address> all = Arrays.stream(to.getText().split("[,;\\s]+", -1))
                .filter(t -> !t.isEmpty())
                .map(Ipv4Address::parse)
                .toList();
        if (all.isEmpty()) {
            throw new IllegalArgumentException("Unicast goes to an address: type one, or several with commas.");
        }
        return all;
    }

    private static int number(TextField field, int from, int to) {
        try {
            int value = Integer.parseInt(field.getText().strip());
            if (value >= from && value <= to) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(
                    "“" + field.getText() + "” is no number. " + field.getAccessibleText() + " goes from " + from
                            + " to " + to + ".",
                    e);
        }
        throw new IllegalArgumentException(field.getAccessibleText() + " goes from " + from + " to " + to + ", not "
                + field.getText().strip() + ".");
    }
}
