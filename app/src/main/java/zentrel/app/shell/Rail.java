package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.check.Severity;

/** The pages in the order of the work, each with what is unsettled there. */
public final class Rail extends VBox {
    private final List<? extends PageEntry<?>> pages;
    private final List<ToggleButton> buttons = new ArrayList<>();
    private final List<Text> counts = new ArrayList<>();
    private final OpenDocument document;

    public Rail(OpenDocument document, List<? extends PageEntry<?>> pages, IntConsumer onChoose) {
        this.document = document;
        this.pages = pages;
        getStyleClass().add("rail");
        ToggleGroup group = new ToggleGroup();
        for (int i = 0; i < pages.size(); i++) {
            int number = i;
            Text name = Texts.drawn(pages.get(i).title(), "page-name");
            Text count = Texts.drawn("", "small", "soft");
            ToggleButton button = new ToggleButton();
            button.setGraphic(new VBox(1, name, count));
            button.setId(pages.get(i).id());
            button.setToggleGroup(group);
            button.setMaxWidth(Double.MAX_VALUE);
            button.setOnAction(e -> {
                button.setSelected(true);
                onChoose.accept(number);
            });
            buttons.add(button);
            counts.add(count);
            getChildren().add(button);
        }
        document.reportProperty().addListener(o -> refresh());
    }

    /** Marks a page as the one shown. */
    public void choose(int number) {
        buttons.get(number).setSelected(true);
    }

    /** Marks no page: none is shown. */
    public void chooseNone() {
        buttons.forEach(b -> b.setSelected(false));
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report == null) {
            return;
        }
        for (int i = 0; i < pages.size(); i++) {
            PageEntry<?> page = pages.get(i);
            long broken = count(report, page, Severity.BROKEN);
            long risky = count(report, page, Severity.AT_RISK);
            Text label = counts.get(i);
            label.getStyleClass().removeAll("broken", "at-risk");
            String text = page.areas().isEmpty() || report.plan().hosts().isEmpty()
                    ? ""
                    : broken > 0 ? broken + " broken" : risky > 0 ? risky + " at risk" : "settled";
            if (broken > 0) {
                label.getStyleClass().add("broken");
            } else if (risky > 0) {
                label.getStyleClass().add("at-risk");
            }
            label.setText(text);
            buttons.get(i).setAccessibleText(page.title() + (text.isEmpty() ? "" : ", " + text));
        }
    }

    private static long count(Report report, PageEntry<?> page, Severity severity) {
        return report.findings().stream()
                .filter(f -> f.severity() == severity && page.areas().contains(Area.of(f.rule())))
                .count();
    }
}
