package zentrel.app.shell;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Clip;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.gear.SettingRollout;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.profile.ProfileStep;

/** What to set on a device in the order of its menus: ticked off, changed in place, read out; then the steps that make it so. */
final class SettingsBox extends VBox {
    private static final double LABELS = 118;

    /** Room for a word, beside a value that wants all of it. */
    private static final double LEAST = 62;

    private final OpenDocument document;
    private final Plan plan;
    private final Id<?> id;

    /** @param rows the settings, as {@link DeviceSettings#of} gives them; at least one */
    SettingsBox(OpenDocument document, Plan plan, Id<?> id, List<DeviceSettings.Row> rows) {
        super(6);
        this.document = document;
        this.plan = plan;
        this.id = id;
        long done = rows.stream().filter(r -> r.now().isEmpty()).count();
        getChildren()
                .addAll(
                        new HBox(
                                Texts.heading("Set on the device"),
                                Mark.gap(),
                                Texts.of(
                                        isToldOnly(id) ? "" : done + " of " + rows.size() + " in force",
                                        "soft",
                                        "small")),
                        grid(rows));
        if (rows.stream().anyMatch(r -> r.entry().isPresent())) {
            getChildren()
                    .add(Texts.wrapped(
                            "Enter on a value changes it. Shift Enter plans the new one for later.", "soft", "small"));
        }
        Button read = MarginPane.quiet("Copy to read out", this::copy);
        read.setId("read-out");
        getChildren().add(read);
        steps();
    }

    private GridPane grid(List<DeviceSettings.Row> rows) {
        GridPane grid = new GridPane();
        grid.setHgap(8);
        grid.setVgap(5);
        int line = 0;
        Optional<String> lastWhere = Optional.empty();
        for (DeviceSettings.Row row : rows) {
            if (row.tick().isPresent()) {
                CheckBox tick = new CheckBox();
                tick.setAccessibleText(row.label() + " is set to " + row.value());
                tick.setOnAction(e -> row.tick().ifPresent(document::apply));
                grid.add(tick, 0, line);
            }
            Label label = Texts.wrapped(row.label(), "soft");
            label.setMaxWidth(LABELS);
            label.setMinWidth(LEAST);
            grid.add(label, 1, line);
            boolean repeated = row.where().equals(lastWhere);
            lastWhere = row.where();
            grid.add(value(row, repeated), 2, line++);
        }
        return grid;
    }

    private VBox value(DeviceSettings.Row row, boolean whereSaid) {
        Label value = Texts.mono(row.value());
        value.setWrapText(true);
        value.setMinHeight(USE_PREF_SIZE);
        VBox cell = new VBox(value);
        row.now()
                .ifPresent(n -> cell.getChildren()
                        .add(Texts.mono(
                                (row.entered() ? "typed in, still " : "now ") + n,
                                row.entered() ? "at-risk" : "broken",
                                "small")));
        row.where().filter(w -> !whereSaid).ifPresent(w -> cell.getChildren().add(Texts.wrapped(w, "soft", "small")));
        row.entry().ifPresent(entry -> {
            value.getStyleClass().add("setting");
            value.setFocusTraversable(true);
            value.setAccessibleText(row.label() + ", " + row.value() + ", Enter changes it");
            value.setOnMouseClicked(e -> {
                if (e.getClickCount() == 2) {
                    edit(cell, value, row.label(), entry);
                }
            });
            value.setOnKeyPressed(e -> {
                if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.F2) {
                    edit(cell, value, row.label(), entry);
                    e.consume();
                }
            });
        });
        return cell;
    }

    private void edit(VBox cell, Label value, String label, DeviceSettings.Entry entry) {
        TextField field = new TextField(entry.now());
        field.setId("setting-field");
        field.getStyleClass().add("mono");
        field.setAccessibleText(label);
        cell.getChildren().set(0, field);
        field.requestFocus();
        field.selectAll();
        field.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                try {
                    document.propose(entry.change().apply(field.getText().strip()), e.isShiftDown());
                    cell.getChildren().set(0, value);
                } catch (IllegalArgumentException wrong) {
                    document.tell(String.valueOf(wrong.getMessage()));
                }
                e.consume();
            } else if (e.getCode() == KeyCode.ESCAPE) {
                cell.getChildren().set(0, value);
                value.requestFocus();
                e.consume();
            }
        });
    }

    private void copy() {
        Clip.put(DeviceSettings.readOut(plan, id));
        document.tell("Copied: what to set on " + plan.index().name(id) + ", a line each, in the order of its menus.");
    }

    /** What is left to do on the box before all that is planned for it is in force. */
    private void steps() {
        Optional<Id<Host>> host = Boxes.of(plan.index(), id);
        if (host.isEmpty()) {
            return;
        }
        SettingRollout applying = SettingRollout.of(plan, host.get());
        if (applying.waiting().size() > 1) {
            getChildren()
                    .add(action(
                            "All " + applying.waiting().size() + " typed in",
                            "typed-in",
                            () -> document.apply(SettingRollout.typeIn(
                                    plan, host.get(), applying.waiting().keySet()))));
        }
        if (applying.entered().isEmpty()) {
            return;
        }
        for (ProfileStep step : applying.steps()) {
            String times = step.times() == 1 ? "" : step.times() == 2 ? ", twice" : ", " + step.times() + " times";
            String wait = step.seconds() == 0 ? "" : ", " + step.seconds() + " s" + (step.times() == 1 ? "" : " each");
            getChildren()
                    .add(Texts.wrapped("Then: " + step.does() + times + wait + "."
                            + (step.why().isEmpty() ? "" : " " + step.why())));
        }
        getChildren()
                .add(action(
                        "Done, it is in force",
                        "in-force",
                        () -> document.apply(SettingRollout.carriedOut(plan, host.get()))));
    }

    private static Button action(String text, String buttonId, Runnable work) {
        Button button = new Button(text);
        button.getStyleClass().add("action");
        button.setId(buttonId);
        button.setMaxWidth(Double.MAX_VALUE);
        button.setMinHeight(USE_PREF_SIZE);
        button.setOnAction(e -> work.run());
        return button;
    }

    /** Whether what stands here is told of a thing, and nothing of it waits to be set. */
    private static boolean isToldOnly(Id<?> id) {
        return id.is(Kind.FIXTURE) || id.is(Kind.PIXEL_RUN) || id.is(Kind.PIXEL_OUTPUT);
    }
}
