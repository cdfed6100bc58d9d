package zentrel.app.desks;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import zentrel.app.look.Hint;
import zentrel.app.look.Texts;
import zentrel.plan.Application;
import zentrel.plan.Id;
import zentrel.session.Step;

/** What is left to do as a line in time: a row for each program, a bar for each step, each after all that it needs. */
final class StartLine extends Pane {
    private static final double ROW = 30;
    private static final double NAMES = 132;
    private static final double SIGN = 150;
    private static final double AXIS = 22;

    /** What nobody has timed is done by hand, and drawn as if it took so many seconds. */
    private static final int BY_HAND = 10;

    private static final int[] TICKS = {5, 10, 20, 30, 60, 120, 300, 600};
    private static final double TICK_ROOM = 46;

    StartLine(DesksModel model, double across, Consumer<Id<?>> choose) {
        List<Step> left = model.ready().steps().stream().filter(s -> !s.done()).toList();
        Map<Integer, Integer> ends = new HashMap<>();
        Map<Integer, Integer> starts = new HashMap<>();
        int last = 1;
        for (Step step : left) {
            int start = step.after().stream()
                    .mapToInt(a -> ends.getOrDefault(a, 0))
                    .max()
                    .orElse(0);
            starts.put(step.order(), start);
            ends.put(step.order(), start + seconds(step));
            last = Math.max(last, start + seconds(step));
        }
        Map<Id<Application>, List<Step>> rows = new LinkedHashMap<>();
        left.forEach(
                s -> rows.computeIfAbsent(s.program(), p -> new ArrayList<>()).add(s));
        double height = rows.size() * ROW;
        double scale = Math.max(0.5, (across - NAMES - SIGN) / last);
        setPrefSize(across, height + AXIS);
        setMinHeight(height + AXIS);
        ticks(last, scale, height);
        int y = 0;
        for (Map.Entry<Id<Application>, List<Step>> row : rows.entrySet()) {
            Label name = Texts.of(
                    model.member(row.getKey()).map(DesksModel.Member::name).orElse(""), "strong", "small");
            name.setPrefWidth(NAMES - 8);
            name.relocate(0, y * ROW + 7);
            getChildren().add(name);
            double end = 0;
            for (Step step : row.getValue()) {
                double from = NAMES + starts.getOrDefault(step.order(), 0) * scale;
                double width = Math.max(6, seconds(step) * scale - 2);
                getChildren().add(bar(model, step, from, y * ROW + 4, width, choose));
                end = from + width;
            }
            Step lastStep = row.getValue().get(row.getValue().size() - 1);
            if (!lastStep.sign().isEmpty()) {
                Label sign = Texts.of(lastStep.sign(), "soft", "small");
                sign.relocate(end + 8, y * ROW + 8);
                getChildren().add(sign);
            }
            y++;
        }
    }

    private static int seconds(Step step) {
        return step.waitSeconds().orElse(BY_HAND);
    }

    private static Label bar(DesksModel model, Step step, double x, double y, double width, Consumer<Id<?>> choose) {
        Label bar = Texts.of(
                step.order() + " " + model.words().brief(step)
                        + (step.waitSeconds().isPresent()
                                ? " " + step.waitSeconds().getAsInt() + " s"
                                : ""),
                "small",
                "start-bar");
        bar.getStyleClass()
                .add(
                        step.what() == Step.What.SETTLE
                                ? "settle"
                                : step.waitSeconds().isPresent() ? "timed" : "by-hand");
        bar.setPrefSize(width, 20);
        bar.setMinWidth(0);
        bar.setMaxWidth(width);
        bar.relocate(x, y);
        bar.setAccessibleText(model.words().of(step));
        Hint.on(bar, () -> model.words().of(step));
        bar.setOnMouseClicked(
                e -> choose.accept(step.lack().<Id<?>>map(l -> l.cause()).orElse(step.program())));
        return bar;
    }

    private void ticks(int last, double scale, double height) {
        int step = TICKS[TICKS.length - 1];
        for (int i = TICKS.length - 1; i >= 0; i--) {
            if (TICKS[i] * scale >= TICK_ROOM) {
                step = TICKS[i];
            }
        }
        for (int at = 0; at <= last; at += step) {
            double x = NAMES + at * scale;
            Line line = new Line(x, 0, x, height);
            line.getStyleClass().add("axis-tick");
            Label text = Texts.mono(at + " s", "soft", "small");
            text.relocate(x - 3, height + 4);
            getChildren().addAll(line, text);
        }
    }
}
