package zentrel.app.gear;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Hint;
import zentrel.app.look.Texts;
import zentrel.entry.ProfileForm;

/** A profile as a form: each field entered by itself, with what is wrong said below it. */
final class ProfileFormPane extends ScrollPane {
    private static final double LABELS = 190;
    private static final double INDENT = 18;
    private static final Pattern PLACE = Pattern.compile(" at ([A-Za-z0-9\\[\\].]+)");

    private final Consumer<String> changed;
    private final VBox lines = new VBox(5);
    private final Map<String, Label> wrong = new HashMap<>();
    private @Nullable ProfileForm form;

    /**
     * An empty form.
     *
     * @param changed given the profile as its file after each change
     */
    ProfileFormPane(Consumer<String> changed) {
        this.changed = changed;
        setId("profile-form");
        setContent(lines);
        setFitToWidth(true);
        lines.setPadding(new Insets(2, 12, 2, 2));
        setAccessibleText("The profile as a form");
    }

    /** Shows a profile; a text that is no JSON leaves the form as it was. */
    void show(String json) {
        if (form != null && form.json().equals(json)) {
            return;
        }
        try {
            form = ProfileForm.of(json);
            build();
        } catch (IllegalArgumentException e) {
            lines.setDisable(true); // said below the text, and the form waits for it
        }
    }

    private void build() {
        ProfileForm now = form;
        if (now != null) {
            lines.setDisable(false);
            lines.getChildren().clear();
            wrong.clear();
            now.parts().forEach(p -> add(now, p, 0));
            judge(now);
        }
    }

    private void add(ProfileForm now, ProfileForm.Part part, int depth) {
        if (part instanceof ProfileForm.Field field) {
            line(now, field, depth);
            return;
        }
        ProfileForm.Group group = (ProfileForm.Group) part;
        Label title = Texts.of(group.title(), "strong");
        title.setMinWidth(USE_PREF_SIZE);
        HBox head = new HBox(10, title);
        if (group.adds()) {
            head.getChildren().add(quiet("Add", "add" + group.pointer(), group.title(), () -> {
                now.add(group.pointer());
                restructured(now);
            }));
        }
        if (group.element()) {
            head.getChildren().add(quiet("Remove", "remove" + group.pointer(), group.title(), () -> {
                now.remove(group.pointer());
                restructured(now);
            }));
        }
        if (!group.hint().isEmpty()) {
            head.getChildren().add(Texts.of(group.hint(), "soft", "small"));
        }
        lines.getChildren().add(indented(head, depth));
        wrongAt(group.pointer());
        group.parts().forEach(p -> add(now, p, depth + 1));
    }

    private static Button quiet(String text, String id, String of, Runnable action) {
        Button button = new Button(text);
        button.setId("profile-" + id.replace('/', '-'));
        button.getStyleClass().add("quiet");
        button.setAccessibleText(text + ": " + of);
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
        return button;
    }

    private void restructured(ProfileForm now) {
        build();
        changed.accept(now.json());
    }

    private void line(ProfileForm now, ProfileForm.Field field, int depth) {
        Label label = Texts.of(field.title(), "soft");
        label.setMinWidth(LABELS - depth * INDENT);
        Node control = field.choices().isEmpty() ? text(now, field) : choice(now, field);
        control.setId("profile" + field.pointer().replace('/', '-'));
        control.setAccessibleText(field.title());
        HBox.setHgrow(control, Priority.ALWAYS);
        lines.getChildren().add(indented(new HBox(8, label, control), depth));
        wrongAt(field.pointer());
    }

    private static Node indented(HBox row, int depth) {
        row.setPadding(new Insets(depth == 0 ? 0 : 1, 0, 0, depth * INDENT));
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void wrongAt(String pointer) {
        Label label = Texts.wrapped("", "broken", "small");
        label.setId("profile" + pointer.replace('/', '-') + "-wrong");
        label.setManaged(false);
        label.setPadding(new Insets(0, 0, 0, LABELS + 8));
        wrong.put(pointer, label);
        lines.getChildren().add(label);
    }

    private Node text(ProfileForm now, ProfileForm.Field field) {
        TextField box = new TextField(field.value());
        if (!field.hint().isEmpty()) {
            box.setPromptText(field.hint());
            Hint.on(box, field::hint);
        }
        box.setOnAction(e -> enter(now, field.pointer(), box.getText()));
        box.focusedProperty().addListener((o, was, is) -> {
            if (was && !is) {
                enter(now, field.pointer(), box.getText());
            }
        });
        return box;
    }

    private Node choice(ProfileForm now, ProfileForm.Field field) {
        ComboBox<String> box = new ComboBox<>();
        box.getItems().add("");
        box.getItems().addAll(field.choices());
        box.setValue(field.value());
        box.setMaxWidth(Double.MAX_VALUE);
        if (!field.hint().isEmpty()) {
            box.setPromptText(field.hint());
            Hint.on(box, field::hint);
        }
        box.setOnAction(e -> enter(now, field.pointer(), box.getValue() == null ? "" : box.getValue()));
        return box;
    }

    private void enter(ProfileForm now, String pointer, String text) {
        try {
            String before = now.json();
            now.set(pointer, text);
            judge(now);
            if (!now.json().equals(before)) {
                changed.accept(now.json());
            }
        } catch (IllegalArgumentException e) {
            judge(now);
            say(pointer, String.valueOf(e.getMessage()));
        }
    }

    /** What is wrong with all of it, said at the field that it is about. */
    private void judge(ProfileForm now) {
        wrong.values().forEach(l -> {
            l.setText("");
            l.setManaged(false);
        });
        now.problem().ifPresent(text -> say(pointerIn(text).orElse("/id"), text));
    }

    private void say(String pointer, String text) {
        String at = pointer;
        while (!wrong.containsKey(at) && at.contains("/")) {
            at = at.substring(0, at.lastIndexOf('/'));
        }
        Label label = wrong.getOrDefault(at, wrong.get("/id"));
        if (label != null) {
            label.setText(text);
            label.setManaged(true);
        }
    }

    private static Optional<String> pointerIn(String text) {
        Matcher place = PLACE.matcher(text);
        return place.find()
                ? Optional.of("/"
                        + place.group(1)
                                .replaceAll("[\\[.]", "/")
                                .replace("]", "")
                                .replaceAll("/$", ""))
                : Optional.empty();
    }
}
