package zentrel.app.universes;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Effect;
import zentrel.check.Report;
import zentrel.plan.Edit;
import zentrel.profile.Protocol;
import zentrel.routing.AutoRoutes;
import zentrel.routing.NumberShift;

/** A range of universe numbers moved everywhere at once, and universes without a port given to free ones: seen, then done. */
final class NumbersPanel extends Panel {
    private final OpenDocument document;
    private final ComboBox<String> protocol = new ComboBox<>();
    private final TextField first = number("numbers-first", "1", "First number that moves");
    private final TextField last = number("numbers-last", "16", "Last number that moves");
    private final TextField to = number("numbers-to", "101", "Where the first one goes");
    private final VBox lines = new VBox(3);
    private final Button set;
    private @Nullable Edit edit;

    private record Worked(
            List<String> lines, List<String> left, @Nullable Edit edit, Effect effect) {}

    NumbersPanel(OpenDocument document, Runnable away) {
        super("Renumber and route universes", away);
        this.document = document;
        protocol.getItems().addAll(Protocol.SACN.title(), Protocol.ARTNET.title());
        protocol.getSelectionModel().selectFirst();
        protocol.setId("numbers-protocol");
        protocol.setAccessibleText("Protocol");
        protocol.setOnAction(e -> clear());
        set = Buttons.action("Set it all", "numbers-set", this::set);
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren()
                .addAll(
                        row(
                                Texts.of("Move", "soft"),
                                protocol,
                                first,
                                Texts.of("to", "soft"),
                                last,
                                Texts.of("so that the first is", "soft"),
                                to,
                                Buttons.action("Show what changes", "numbers-show", this::renumber)),
                        row(
                                Texts.of("Universes that are used and that no port takes", "soft"),
                                Buttons.action("Show free ports for them", "numbers-free", this::route)),
                        row(set, back("numbers-leave", "Discard")),
                        scroll);
        clear();
    }

    private TextField number(String id, String value, String what) {
        TextField field = new TextField(value);
        field.setId(id);
        field.setPrefColumnCount(5);
        field.setAccessibleText(what);
        field.textProperty().addListener(o -> clear());
        field.setOnAction(e -> renumber());
        return field;
    }

    private void clear() {
        edit = null;
        if (set != null) {
            set.setDisable(true);
        }
        if (lines != null) {
            lines.getChildren().clear();
        }
    }

    private static int value(TextField field) {
        String typed = field.getText().strip();
        if (!typed.matches("\\d{1,5}")) {
            throw new IllegalArgumentException("\"" + typed + "\" is no universe number.");
        }
        return Integer.parseInt(typed);
    }

    private void renumber() {
        try {
            Protocol by = Protocol.SACN.title().equals(protocol.getValue()) ? Protocol.SACN : Protocol.ARTNET;
            int from = value(first);
            int until = value(last);
            int then = value(to);
            work(r -> {
                NumberShift moved = NumberShift.of(r.plan(), by, from, until, then);
                return new Worked(moved.lines(), List.of(), moved.edit(), effect(r, moved.edit()));
            });
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
        }
    }

    private void route() {
        work(r -> {
            AutoRoutes routed = AutoRoutes.of(r.plan());
            return new Worked(routed.lines(), routed.left(), routed.edit(), effect(r, routed.edit()));
        });
    }

    private static Effect effect(Report report, Edit edit) {
        return Effect.of(report, edit.applyTo(report.plan()));
    }

    private void work(java.util.function.Function<Report, Worked> how) {
        clear();
        Report report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        document.derive(
                report,
                r -> {
                    try {
                        return how.apply(r);
                    } catch (IllegalArgumentException e) {
                        return new Worked(
                                List.of(),
                                List.of(String.valueOf(e.getMessage())),
                                null,
                                new Effect(List.of(), List.of()));
                    }
                },
                this::show);
    }

    private void show(Worked worked) {
        clear();
        if (worked.lines().isEmpty() && worked.left().isEmpty()) {
            lines.getChildren()
                    .add(Texts.wrapped("Nothing changes: no number is in that range, or every universe has a port."));
            return;
        }
        if (!worked.lines().isEmpty()) {
            lines.getChildren()
                    .add(Texts.wrapped(
                            worked.effect().sentence(), worked.effect().isGood() ? "passes" : "at-risk"));
            edit = worked.edit();
            set.setDisable(edit == null);
        }
        worked.left().forEach(l -> lines.getChildren().add(Texts.wrapped(l, "at-risk")));
        worked.lines().forEach(l -> lines.getChildren().add(Texts.wrapped(l)));
    }

    private void set() {
        Edit made = edit;
        if (made != null) {
            document.apply(made);
            leave();
        }
    }
}
