package zentrel.app.universes;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.SelectionMode;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texted;
import zentrel.app.look.Texts;
import zentrel.app.shell.Panel;
import zentrel.check.Effect;
import zentrel.check.Report;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.routing.RangeRoutes;

/**
 * A run of universes from one source to a run of ports: drag the chosen lanes onto the first port, or choose both and press
 * Enter. What it would break is said before it is done.
 */
final class RangePanel extends Panel {
    private static final double LIST = 250;

    private final OpenDocument document;
    private final ComboBox<Application> from = new ComboBox<>();
    private final ListView<Universe> universes = new ListView<>();
    private final ListView<Port> ports = new ListView<>();
    private final VBox lines = new VBox(6);
    private final Button set = Buttons.action("Set it so", "range-set", this::set);
    private @Nullable Edit edit;

    RangePanel(OpenDocument document, Runnable away) {
        super("Route a run of universes to a run of ports", away);
        this.document = document;
        Plan plan = document.plan();
        from.setId("range-from");
        from.setAccessibleText("Which source sends them");
        from.setConverter(new Texted<>(Application::name));
        from.getItems()
                .setAll(plan.applications().stream()
                        .filter(a -> a.kind() == ApplicationKind.CONSOLE
                                || !plan.index().streamsFrom(a.id()).isEmpty())
                        .toList());
        from.getSelectionModel().selectFirst();
        from.setOnAction(e -> work());
        fill(universes, "range-universes", "Universes", plan.universes(), u -> u.label() + "  " + u.name());
        universes.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        List<Port> all = plan.receivers().stream()
                .flatMap(r -> r.ports().stream())
                .filter(p -> p.protocol().planned().onNetwork())
                .toList();
        fill(ports, "range-ports", "Ports", all, p -> shown(plan, p));
        ports.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                work();
            }
        });
        ports.getSelectionModel().selectedItemProperty().addListener(o -> work());
        universes.getSelectionModel().selectedItemProperty().addListener(o -> work());
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setFitToWidth(true);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        HBox lists = new HBox(10, universes, ports, scroll);
        VBox.setVgrow(lists, Priority.ALWAYS);
        set.setDisable(true);
        getChildren()
                .addAll(
                        row(Texts.of("Sent by", "soft"), from, set, back("range-leave", "Discard")),
                        Texts.wrapped(
                                "Choose the universes (Shift for a run) and drag them onto the port for the first;"
                                        + " or choose the port too.",
                                "soft"),
                        lists);
        work();
    }

    private static String shown(Plan plan, Port port) {
        List<String> meant = plan.index().universesOf(port.id()).stream()
                .map(u -> plan.index().universe(u).label())
                .toList();
        return plan.index().name(port.id()) + (meant.isEmpty() ? "  · free" : "  · " + String.join(" ", meant));
    }

    private <T> void fill(ListView<T> list, String id, String what, List<T> items, Function<T, String> text) {
        list.setId(id);
        list.setAccessibleText(what);
        list.setPrefWidth(LIST);
        list.setMinWidth(LIST);
        list.setCellFactory(v -> new Dragged<>(text));
        list.getItems().setAll(items);
    }

    /** A universe is dragged, a port takes what is dragged onto it. */
    private final class Dragged<T> extends ListCell<T> {
        private final Function<T, String> text;

        Dragged(Function<T, String> text) {
            this.text = text;
            getStyleClass().add("pick");
            setOnDragDetected(e -> {
                if (getItem() instanceof Universe) {
                    startFullDrag();
                    getScene().setCursor(javafx.scene.Cursor.CLOSED_HAND);
                }
            });
            setOnMouseReleased(e -> {
                if (getScene() != null) {
                    getScene().setCursor(javafx.scene.Cursor.DEFAULT);
                }
            });
            setOnMouseDragEntered(e -> hint(true));
            setOnMouseDragExited(e -> hint(false));
            setOnMouseDragReleased(e -> {
                hint(false);
                if (getItem() instanceof Port port) {
                    ports.getSelectionModel().select(port);
                    ports.requestFocus();
                }
            });
        }

        private void hint(boolean on) {
            setStyle(on && getItem() instanceof Port ? "-fx-border-color: -z-heather; -fx-border-width: 1;" : "");
        }

        @Override
        protected void updateItem(@Nullable T item, boolean empty) {
            super.updateItem(item, empty);
            setText(empty || item == null ? null : text.apply(item));
        }
    }

    private record Worked(List<String> lines, Optional<Effect> effect, Optional<Edit> edit) {}

    private void work() {
        edit = null;
        set.setDisable(true);
        lines.getChildren().clear();
        Report report = document.reportProperty().get();
        Port first = ports.getSelectionModel().getSelectedItem();
        Application source = from.getValue();
        List<Id<Universe>> chosen = universes.getSelectionModel().getSelectedItems().stream()
                .filter(java.util.Objects::nonNull)
                .map(Universe::id)
                .toList();
        if (report == null || first == null || source == null || chosen.isEmpty()) {
            return;
        }
        document.derive(
                report,
                r -> {
                    try {
                        RangeRoutes routed = RangeRoutes.of(r.plan(), source.id(), chosen, first.id());
                        return new Worked(
                                routed.lines(),
                                Optional.of(Effect.of(r, routed.edit().applyTo(r.plan()))),
                                Optional.of(routed.edit()));
                    } catch (IllegalArgumentException e) {
                        return new Worked(List.of(String.valueOf(e.getMessage())), Optional.empty(), Optional.empty());
                    }
                },
                this::show);
    }

    private void show(Worked worked) {
        lines.getChildren().clear();
        worked.effect()
                .ifPresent(
                        e -> lines.getChildren().add(Texts.wrapped(e.sentence(), e.isGood() ? "passes" : "at-risk")));
        worked.lines()
                .forEach(l ->
                        lines.getChildren().add(Texts.wrapped(l, worked.edit().isPresent() ? "label" : "at-risk")));
        edit = worked.edit().orElse(null);
        set.setDisable(edit == null);
    }

    private void set() {
        Edit made = edit;
        if (made != null) {
            document.apply(made);
            leave();
        }
    }
}
