package zentrel.app.patch;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import zentrel.app.patch.Strips.Bar;
import zentrel.app.patch.Strips.Strip;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Universe;

/**
 * Fixtures by keys: Left and Right choose, with Shift more of them; Alt and Left or Right moves them to the next room before or
 * after, Alt and Up or Down to the universe above or below; Delete removes them.
 */
final class PatchKeys {
    private final PatchPage page;

    PatchKeys(PatchPage page) {
        this.page = page;
    }

    void pressed(KeyEvent e) {
        KeyCode code = e.getCode();
        boolean across = code == KeyCode.LEFT || code == KeyCode.RIGHT;
        boolean down = code == KeyCode.UP || code == KeyCode.DOWN;
        if (e.isAltDown() && (across || down)) {
            move(code);
        } else if (across && !e.isShortcutDown()) {
            step(code == KeyCode.RIGHT ? 1 : -1, e.isShiftDown());
        } else if (code == KeyCode.DELETE) {
            page.removeChosen();
        } else {
            return;
        }
        e.consume();
    }

    private Optional<Strip> strip() {
        return Optional.ofNullable(page.strips().getSelectionModel().getSelectedItem())
                .or(() -> page.seen().strips().stream().findFirst());
    }

    private void step(int by, boolean more) {
        List<Fixture> chosen = page.chosenFixtures();
        List<Bar> all = strip().map(page.seen()::fixturesOf).orElse(List.of());
        if (all.isEmpty()) {
            return;
        }
        int at = -1;
        for (int i = 0; i < all.size(); i++) {
            Id<Fixture> id = all.get(i).fixture().orElseThrow();
            if (chosen.stream().anyMatch(f -> f.id().equals(id)) && (at < 0 || by > 0)) {
                at = i;
            }
        }
        int next = at < 0 ? (by > 0 ? 0 : all.size() - 1) : Math.floorMod(at + by, all.size());
        LinkedHashSet<Id<Fixture>> now = new LinkedHashSet<>();
        if (more) {
            chosen.forEach(f -> now.add(f.id()));
        }
        now.add(all.get(next).fixture().orElseThrow());
        page.choose(List.copyOf(now));
    }

    private void move(KeyCode code) {
        List<Fixture> chosen = page.chosenFixtures();
        if (chosen.isEmpty()) {
            return;
        }
        int start = chosen.stream()
                .flatMap(f -> f.breaks().stream())
                .mapToInt(Break::start)
                .min()
                .orElse(1);
        Id<Universe> in = chosen.get(0).breaks().get(0).universe();
        List<Strip> strips = page.seen().strips();
        int row = -1;
        for (int i = 0; i < strips.size(); i++) {
            row = strips.get(i).universe().filter(u -> u.id().equals(in)).isPresent() ? i : row;
        }
        if (code == KeyCode.LEFT || code == KeyCode.RIGHT) {
            int way = code == KeyCode.RIGHT ? 1 : -1;
            page.place(page.document().plan().index().universe(in), start + way, way);
            return;
        }
        int to = row + (code == KeyCode.DOWN ? 1 : -1);
        if (row >= 0 && to >= 0 && to < strips.size()) {
            strips.get(to).universe().ifPresent(u -> page.place(u, start, 0));
        }
    }

    /** What is chosen, and all in the same universe up to one more. */
    static List<Id<Fixture>> between(Strips seen, List<Id<Fixture>> chosen, Id<Fixture> upTo) {
        LinkedHashSet<Id<Fixture>> all = new LinkedHashSet<>(chosen);
        Optional<Strip> strip = seen.stripOf(upTo);
        List<Id<Fixture>> here = new ArrayList<>();
        strip.ifPresent(
                s -> seen.fixturesOf(s).forEach(b -> here.add(b.fixture().orElseThrow())));
        int to = here.indexOf(upTo);
        int from = to;
        for (int i = 0; i < here.size(); i++) {
            if (chosen.contains(here.get(i)) && (from == to || Math.abs(i - to) < Math.abs(from - to))) {
                from = i;
            }
        }
        if (to >= 0) {
            all.addAll(here.subList(Math.min(from, to), Math.max(from, to) + 1));
        }
        all.remove(upTo);
        all.add(upTo);
        return List.copyOf(all);
    }
}
