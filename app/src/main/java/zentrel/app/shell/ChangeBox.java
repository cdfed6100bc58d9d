package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.gear.CopiedPlace;
import zentrel.gear.SettingChange;

/** A change before it is made: what it was, what it will be, and every other place that keeps a copy, one step each. */
final class ChangeBox extends VBox {
    private final OpenDocument document;
    private final List<CopiedPlace> places;
    private final List<CheckBox> ticks = new ArrayList<>();

    ChangeBox(OpenDocument document, SettingChange change) {
        super(8);
        this.document = document;
        this.places = change.places();
        setId("change-box");
        setAccessibleText("A change before it is made");
        getChildren()
                .addAll(
                        Texts.wrapped("Before it changes", "title"),
                        Texts.wrapped(change.what()),
                        Texts.mono(change.before() + " → " + change.after()),
                        MarginPane.line(),
                        Texts.wrapped(
                                places.size() == 1
                                        ? "One other place has the old value typed in. It does not follow by itself."
                                        : places.size()
                                                + " other places have the old value typed in. They do not follow by themselves.",
                                "soft"));
        for (CopiedPlace place : places) {
            CheckBox tick = new CheckBox(place.where());
            tick.setSelected(true);
            tick.setWrapText(true);
            tick.setMinHeight(USE_PREF_SIZE);
            tick.setAccessibleText("Change it too: " + place.where());
            ticks.add(tick);
            getChildren().add(tick);
        }
        Button set = action("Set it, and what is ticked", "change-set", false);
        Button later = action("Plan it for later", "change-later", true);
        Button leave = MarginPane.quiet("Discard", document::leave);
        leave.setId("change-leave");
        getChildren().addAll(MarginPane.line(), set, later, leave);
        if (places.stream().anyMatch(p -> !p.setting())) {
            getChildren()
                    .add(Texts.wrapped(
                            "Lists and labels have no planned value: they change only when it is set.",
                            "soft",
                            "small"));
        }
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                document.leave();
                e.consume();
            }
        });
        Platform.runLater(set::requestFocus);
    }

    private Button action(String text, String id, boolean later) {
        Button button = new Button(text);
        button.getStyleClass().add("action");
        button.setId(id);
        button.setMaxWidth(Double.MAX_VALUE);
        button.setOnAction(e -> document.decide(chosen(), later));
        return button;
    }

    private List<CopiedPlace> chosen() {
        List<CopiedPlace> chosen = new ArrayList<>();
        for (int i = 0; i < places.size(); i++) {
            if (ticks.get(i).isSelected()) {
                chosen.add(places.get(i));
            }
        }
        return chosen;
    }
}
