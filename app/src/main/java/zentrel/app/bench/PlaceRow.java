package zentrel.app.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.app.shell.OutputStatus;
import zentrel.app.shell.PageContext;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.OutputGuard;
import zentrel.plan.Plan;

/** Where one looks, and what may leave by it. */
final class PlaceRow extends HBox {
    private final OpenDocument document;
    private final OutputStatus output;
    private final LiveSession session;
    private final Runnable looks;
    private final ComboBox<Place> where = new ComboBox<>();
    private final Button listen = Buttons.action("Listen", "live-listen", this::listen);
    private final Button ask = Buttons.action("Ask", "live-ask", this::ask);
    private final Button arm = Buttons.action("Arm", "live-arm", this::arm);
    private final Button stop = Buttons.action("Stop all output  F12", "live-stop", this::stopAll);
    private final TextField also = new TextField();
    private @Nullable Plan rehearsed;
    private final Label status = Texts.wrapped("", "soft", "small");

    /** @param looks told that something is looked at, or that what may leave is another */
    PlaceRow(PageContext context, LiveSession session, Runnable looks) {
        super(8);
        this.document = context.document();
        this.output = context.output();
        this.session = session;
        this.looks = looks;
        where.setId("live-where");
        where.setAccessibleText("Where to look");
        where.setPromptText("Choose where to look");
        where.setPrefWidth(230);
        where.setConverter(Named.by(Place::title));
        where.setOnShowing(e -> places());
        also.setId("live-also");
        also.setPromptText("also ask 10.0.0.9");
        also.setAccessibleText("An address to poll and ping besides");
        also.setPrefColumnCount(11);
        also.setOnAction(e -> alsoAsk());
        setAlignment(Pos.CENTER_LEFT);
        setStyle("-fx-padding: 6 0 0 0;");
        getChildren().addAll(where, listen, ask, also, arm, stop);
        places();
    }

    /** What may leave, and what keeps it from seeing all. */
    Label status() {
        return status;
    }

    private void places() {
        session.adapters(found -> {
            Place was = where.getValue();
            List<Place> all = new ArrayList<>();
            found.stream()
                    .sorted(Comparator.comparing(NetAdapter::loopback))
                    .map(Place.Real::new)
                    .forEach(all::add);
            document.plan().segments().stream()
                    .filter(s -> s.subnet().isPresent())
                    .map(s ->
                            new Place.Rehearsed(s.id(), document.plan().index().name(s.id())))
                    .forEach(all::add);
            if (!all.equals(where.getItems())) {
                where.getItems().setAll(all);
            }
            String wanted = document.settings().get().adapter();
            where.setValue(all.stream()
                    .filter(p -> was != null
                            ? p.equals(was)
                            : p.real()
                                    .filter(a ->
                                            a.address().address().toString().equals(wanted))
                                    .isPresent())
                    .findFirst()
                    .orElseGet(() -> all.stream()
                            .filter(p -> p.real().filter(NetAdapter::loopback).isPresent())
                            .findFirst()
                            .orElse(null)));
        });
    }

    /** Looks at the chosen place; nothing but group joins leaves. */
    void listen() {
        Place at = where.getValue();
        if (at == null) {
            document.tell("Choose where to look first.");
        } else if (isLookedAt(at)) {
            session.listenOnly();
            looks.run();
        } else {
            look(at, () -> {});
        }
    }

    /** Whether a place is looked at as it is now: a rehearsal is of the plan that there was. */
    @SuppressWarnings("ReferenceEquality") // an edit, and taking it back, gives the plan that it gives
    private boolean isLookedAt(Place at) {
        return session.place().equals(Optional.of(at)) && (at.real().isPresent() || rehearsed == document.plan());
    }

    private void look(Place at, Runnable then) {
        rehearsed = document.plan();
        at.real()
                .ifPresent(a -> document.settings()
                        .change(s -> s.withAdapter(a.address().address().toString())));
        session.open(at, problem -> {
            problem.ifPresent(document::tell);
            if (problem.isEmpty()) {
                then.run();
            }
            looks.run();
        });
    }

    /** Looks at the chosen place, and lets questions leave. */
    void ask() {
        Place at = where.getValue();
        Runnable asks = () -> {
            session.ask();
            looks.run();
        };
        if (at == null) {
            document.tell("Choose where to look first.");
        } else if (isLookedAt(at)) {
            asks.run();
        } else {
            look(at, asks);
        }
    }

    /** Polls and pings one address besides, each time; a broadcast address too. */
    private void alsoAsk() {
        try {
            Ipv4Address address = Ipv4Address.parse(also.getText().strip());
            if (session.place().filter(Place::takesOutput).isEmpty() || session.state() == OutputGuard.State.LISTEN) {
                document.tell("Ask first; then " + address + " is asked too.");
                return;
            }
            session.alsoAsk(address);
            document.tell(address + " is asked too, as long as questions may leave.");
            also.clear();
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
        }
    }

    /** Lets levels and settings leave by the adapter that is looked at. */
    void arm() {
        if (!session.arm()) {
            document.tell("Choose where to look and listen first; then arm it.");
        }
        looks.run();
    }

    private void stopAll() {
        output.stop();
    }

    /** Shows what may leave now. */
    void show(LiveSnapshot seen) {
        OutputGuard.State state = session.state();
        Optional<Place> at = session.place();
        boolean armed = state == OutputGuard.State.ARMED;
        output.set(at.map(PlaceRow::wire).orElse("bench"), state);
        boolean chosen =
                Optional.ofNullable(where.getValue()).filter(this::isLookedAt).isPresent();
        arm.setDisable(at.filter(Place::takesOutput).isEmpty() || armed);
        stop.setDisable(!output.isArmed());
        listen.setDisable(chosen && state == OutputGuard.State.LISTEN);
        ask.setDisable(chosen && state == OutputGuard.State.ASK);
        String words = at.map(p -> words(p, state) + (isLookedAt(p) ? "" : stale(p)))
                .orElse("Nothing is looked at. Choose where to look, then listen or ask.");
        String all = Stream.concat(Stream.of(words), seen.troubles().stream()).collect(Collectors.joining(" "));
        if (!all.equals(status.getText())) {
            status.setText(all);
        }
        status.getStyleClass().removeAll("at-risk", "soft");
        status.getStyleClass().add(armed || !seen.troubles().isEmpty() ? "at-risk" : "soft");
    }

    private static String wire(Place place) {
        return place.real().map(NetAdapter::toString).orElse(place.takesOutput() ? "rehearsal" : "recording");
    }

    private static String stale(Place place) {
        return place instanceof Place.Rehearsed
                ? " The plan has changed since; Listen or Ask rehearses it as it is now."
                : "";
    }

    private static String words(Place place, OutputGuard.State state) {
        if (place instanceof Place.Recorded r) {
            return r.title() + " is played; nothing can be sent.";
        }
        if (place instanceof Place.Rehearsed r) {
            return "The plan is rehearsed, seen from " + r.name() + "; nothing leaves this computer."
                    + switch (state) {
                        case LISTEN -> " Listening.";
                        case ASK -> " Asking: polls leave the rehearsed computer.";
                        case ARMED -> " ARMED, within the rehearsal: stand-ins take levels and settings.";
                    };
        }
        return wire(place)
                + switch (state) {
                    case LISTEN -> ": listening. Only group joins leave.";
                    case ASK -> ": asking. Polls and pings leave; no level, no setting.";
                    case ARMED -> " is ARMED: levels and settings leave by it, and by no other.";
                };
    }
}
