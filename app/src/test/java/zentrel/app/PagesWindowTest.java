package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.check.Area;

/** Pages that are made up: the window shows, counts and ends them without knowing them. */
class PagesWindowTest extends OpenWindow {
    private static final int MADE_UP = 6;

    /** A page that notes what is done with it. */
    private final class MadeUp implements PageView {
        private final String name;

        private MadeUp(String name) {
            this.name = name;
            told.add(name + " made");
        }

        @Override
        public Node node() {
            return new Label("This is " + name);
        }

        @Override
        public void shown() {
            told.add(name + " shown");
        }

        @Override
        public void hidden() {
            told.add(name + " hidden");
        }

        @Override
        public void dispose() {
            told.add(name + " disposed");
        }
    }

    private final List<String> told = new ArrayList<>();
    private List<PageEntry<?>> all = List.of();

    @Override
    List<PageEntry<?>> pages(PageContext context) {
        List<PageEntry<?>> pages = new ArrayList<>(Pages.all(context));
        for (int i = 1; i <= MADE_UP; i++) {
            String name = "Page " + i;
            pages.add(new PageEntry<>(MadeUp.class, name, Set.of(), () -> new MadeUp(name))
                    .does("Count the lamps of " + name, page -> told.add(name + " counted")));
        }
        all = pages;
        return pages;
    }

    @Test
    void anEleventhAndATwelfthPageWork(FxRobot robot) {
        settled(() -> document.reportProperty().get() != null);
        assertThat(told).as("made when wanted").isEmpty();
        int real = all.size() - MADE_UP;
        String eleventh = "Page " + (11 - real);
        String twelfth = "Page " + (12 - real);
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT).push(KeyCode.DIGIT2).release(KeyCode.SHIFT, KeyCode.CONTROL);
        settled(() -> window.shownPage() == 10);
        assertThat(robot.lookup("This is " + eleventh).tryQuery()).isPresent();
        robot.press(KeyCode.CONTROL, KeyCode.SHIFT).push(KeyCode.DIGIT3).release(KeyCode.SHIFT, KeyCode.CONTROL);
        settled(() -> window.shownPage() == 11);
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("count the lamps of " + twelfth);
        robot.push(KeyCode.ENTER);
        settled(() -> told.contains(twelfth + " counted"));
        fx(() -> {
            window.close();
            return true;
        });
        assertThat(told)
                .containsExactly(
                        eleventh + " made",
                        eleventh + " shown",
                        eleventh + " hidden",
                        twelfth + " made",
                        twelfth + " shown",
                        twelfth + " counted",
                        eleventh + " disposed",
                        twelfth + " disposed");
    }

    @Test
    void eachAreaIsCountedByOnePage() {
        Map<Area, List<String>> by = new EnumMap<>(Area.class);
        for (PageEntry<?> page : all) {
            page.areas()
                    .forEach(a -> by.computeIfAbsent(a, x -> new ArrayList<>()).add(page.title()));
        }
        assertThat(by)
                .containsOnlyKeys(Area.values())
                .allSatisfy((area, pages) -> assertThat(pages).as(area.name()).hasSize(1));
    }
}
