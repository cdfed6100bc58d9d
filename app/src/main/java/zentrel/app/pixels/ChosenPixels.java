package zentrel.app.pixels;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.gear.PixelEdits;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.PixelRun;
import zentrel.plan.Plan;
import zentrel.text.Counted;

/** What is done with the pixels that are chosen. */
final class ChosenPixels {
    private final OpenDocument document;
    private final Supplier<List<PixelRun>> chosen;

    ChosenPixels(OpenDocument document, Supplier<List<PixelRun>> chosen) {
        this.document = document;
        this.chosen = chosen;
    }

    void turn(int degrees) {
        each("Turn", runs -> applyAll("Turn", runs, r -> PixelEdits.turn(r, degrees)));
    }

    void mirror() {
        each("Mirror", runs -> applyAll("Mirror", runs, PixelEdits::mirror));
    }

    void move(double across, double up) {
        if (across != 0 || up != 0) {
            each("Move", runs -> document.apply(PixelEdits.move(runs, across, up)));
        }
    }

    void remove() {
        List<Id<?>> all = new ArrayList<>();
        for (PixelRun run : chosen.get()) {
            all.add(run.id());
            run.fixture().ifPresent(all::add);
        }
        if (!all.isEmpty()) {
            Removal.of(document, all);
        }
    }

    /** One edit, and one to take back, however many runs it turns. */
    private void applyAll(String what, List<PixelRun> runs, Function<PixelRun, Edit> change) {
        List<Edit> edits = runs.stream().map(change).toList();
        document.apply(
                edits.size() == 1
                        ? edits.get(0)
                        : new Edit(what + " " + Counted.of(edits.size(), "pixel run"), p -> {
                            Plan next = p;
                            for (Edit each : edits) {
                                next = each.applyTo(next);
                            }
                            return next;
                        }));
    }

    private void each(String what, Consumer<List<PixelRun>> change) {
        List<PixelRun> runs = chosen.get();
        if (runs.isEmpty()) {
            document.tell(what + " what? Click pixels first.");
        } else {
            change.accept(runs);
        }
    }
}
