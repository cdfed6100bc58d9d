package zentrel.app.cues;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Clip;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.app.shell.SeenNow;
import zentrel.entry.SurfaceFormat;
import zentrel.gear.SurfaceMap;
import zentrel.plan.ControlLink;
import zentrel.plan.Edit;
import zentrel.plan.LinkControl;

/** The controls of a surface, each with what it sends by the chosen link: entered in a line, moved, tried one by one. */
final class SurfacePane extends HBox {
    private static final double NAME = 130;
    private static final double SAYS = 320;

    private final OpenDocument document;
    private final SeenNow net;
    private final TextField line = new TextField();
    private final Label wrong = Texts.wrapped("", "broken", "small");
    private final ListView<LinkControl> controls = new ListView<>();
    private final Label name = Texts.of("", "strong");
    private final Slider slider = new Slider(0, 1, 0);
    private final Label sends = Texts.mono("", "small");
    private final Label result = Texts.wrapped("", "soft", "small");
    private final VBox conflicts = new VBox(4);
    private @Nullable ControlLink link;

    SurfacePane(OpenDocument document, SeenNow net) {
        super(24);
        this.document = document;
        this.net = net;
        line.setId("surface-line");
        line.setPromptText(SurfaceFormat.CONTROL.hint());
        line.setAccessibleText("A control and what it sends, such as " + SurfaceFormat.CONTROL.hint());
        line.setOnAction(e -> enter());
        controls.setId("surface-controls");
        controls.setAccessibleText("Controls of the surface");
        controls.setPlaceholder(
                Texts.of("No control yet: write one above. * is the part that it moves.", "soft", "small"));
        controls.setCellFactory(l -> new ControlCell());
        controls.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> chosen(is));
        controls.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.DELETE) {
                remove();
            }
        });
        VBox left = new VBox(7, line, wrong, controls);
        left.setMinWidth(0);
        VBox.setVgrow(controls, Priority.ALWAYS);
        HBox.setHgrow(left, Priority.ALWAYS);
        slider.setId("surface-slider");
        slider.setAccessibleText("Where the control stands");
        slider.valueProperty().addListener((o, was, is) -> moved());
        sends.setWrapText(true);
        HBox doing = new HBox(
                10,
                Buttons.action("Send it", "surface-try", this::send),
                Buttons.quiet("Remove", "surface-remove", this::remove),
                Buttons.quiet("Copy for both ends", "surface-copy", this::copy));
        doing.setAlignment(Pos.CENTER_LEFT);
        VBox right = new VBox(7, name, slider, sends, doing, result, conflicts);
        right.setPrefWidth(SAYS);
        right.setMinWidth(SAYS);
        getChildren().addAll(left, right);
        chosen(null);
    }

    private final class ControlCell extends ListCell<LinkControl> {
        ControlCell() {
            getStyleClass().add("pick");
        }

        @Override
        protected void updateItem(@Nullable LinkControl item, boolean empty) {
            super.updateItem(item, empty);
            if (empty || item == null) {
                setGraphic(null);
                return;
            }
            Label called = Texts.of(item.name());
            called.setMinWidth(NAME);
            called.setPrefWidth(NAME);
            Label kind = Texts.of(
                    item.kind().word() + " " + item.first() + "–" + item.last()
                            + (item.curve() == LinkControl.Curve.LINEAR
                                    ? ""
                                    : ", " + item.curve().word())
                            + (item.feedback() ? ", feedback" : ""),
                    "soft",
                    "small");
            kind.setMinWidth(NAME);
            setGraphic(new HBox(10, called, kind, Texts.mono(String.join(" ", item.values()), "small")));
            setAccessibleText(SurfaceFormat.CONTROL.shown(document.plan(), item));
        }
    }

    /** Shows a link; null for none. */
    void show(@Nullable ControlLink now) {
        int row = controls.getSelectionModel().getSelectedIndex();
        link = now;
        setVisible(now != null);
        if (now == null) {
            return;
        }
        controls.getItems().setAll(now.controls());
        controls.getSelectionModel()
                .select(Math.min(Math.max(0, row), now.controls().size() - 1));
        conflicts.getChildren().clear();
        new SurfaceMap(now).conflicts().forEach(c -> conflicts.getChildren().add(Texts.wrapped(c, "at-risk", "small")));
        moved();
    }

    private void chosen(@Nullable LinkControl control) {
        boolean has = control != null;
        slider.setDisable(!has);
        name.setText(has && control != null ? control.name() : "");
        if (control != null) {
            slider.setMin(Math.min(control.first(), control.last()));
            slider.setMax(Math.max(control.first(), control.last()));
            slider.setValue(control.first());
        }
        moved();
    }

    private int number() {
        return (int) Math.round(slider.getValue());
    }

    private void moved() {
        ControlLink of = link;
        LinkControl control = controls.getSelectionModel().getSelectedItem();
        if (of == null || control == null) {
            sends.setText("");
            return;
        }
        try {
            sends.setText("at " + number() + ": " + new SurfaceMap(of).sent(control, number()));
        } catch (IllegalArgumentException e) {
            sends.setText("sends nothing that fits: " + e.getMessage());
        }
    }

    private void enter() {
        ControlLink of = link;
        if (of == null) {
            return;
        }
        try {
            LinkControl control = SurfaceFormat.CONTROL.read(document.plan(), line.getText());
            UnaryOperator<List<LinkControl>> with = before -> {
                List<LinkControl> all = new ArrayList<>(before);
                all.removeIf(c -> c.name().equals(control.name())); // written again, it is changed
                all.add(control);
                return all;
            };
            ControlLink unused = of.withControls(with.apply(of.controls()));
            wrong.setText("");
            line.clear();
            change("Map " + control.name(), with);
        } catch (IllegalArgumentException e) {
            wrong.setText(String.valueOf(e.getMessage()));
        }
    }

    private void remove() {
        LinkControl control = controls.getSelectionModel().getSelectedItem();
        if (control != null) {
            change(
                    "Remove " + control.name(),
                    before -> before.stream().filter(c -> !c.equals(control)).toList());
        }
    }

    private void change(String what, UnaryOperator<List<LinkControl>> change) {
        ControlLink of = link;
        if (of != null) {
            document.apply(new Edit(what, p -> p.with(of.id(), l -> l.withControls(change.apply(l.controls())))));
        }
    }

    private void send() {
        ControlLink of = link;
        LinkControl control = controls.getSelectionModel().getSelectedItem();
        if (of == null || control == null) {
            result.setText("Choose a control first.");
            return;
        }
        int number = number();
        result.setText("sending …");
        Daemons.of(
                        () -> {
                            String said = said(of, control, number);
                            Platform.runLater(() -> result.setText(said));
                        },
                        "osc")
                .start();
    }

    private String said(ControlLink of, LinkControl control, int number) {
        try {
            return OscSending.send(net, of, List.of(new SurfaceMap(of).sent(control, number)));
        } catch (IllegalArgumentException e) {
            return "Not sent: " + e.getMessage();
        }
    }

    private void copy() {
        Optional.ofNullable(link).ifPresent(of -> {
            Clip.put(SurfaceMap.table(document.plan(), of).csv());
            document.tell("Copied: where to, and what each control sends.");
        });
    }
}
