package zentrel.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.live.StreamSeen;
import zentrel.live.UniverseSeen;
import zentrel.packet.Bytes;
import zentrel.plan.Fixture;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** One universe in full: 512 slots as numbers, merged or of one source, compared with a held moment. */
final class LevelsView extends VBox {
    private static final int COLUMNS = 20;

    /** How levels are written. */
    private enum Unit {
        BYTE("0–255"),
        PERCENT("percent"),
        HEX("hex");

        private final String words;

        Unit(String words) {
            this.words = words;
        }

        String write(int level) {
            return switch (this) {
                case BYTE -> String.valueOf(level);
                case PERCENT -> String.valueOf(Math.round(level / 2.55));
                case HEX -> "%02x".formatted(level);
            };
        }
    }

    private final OpenDocument document;
    private final ComboBox<UniverseKey> universes = new ComboBox<>();
    private final ComboBox<String> of = new ComboBox<>();
    private final ComboBox<Unit> units = new ComboBox<>();
    private final Button hold = Buttons.action("Hold this moment", "levels-hold", this::holdOrLetGo);
    private final Label said = Texts.of("", "soft");
    private final Label slot =
            Texts.of("Choose a slot by mouse or arrow keys. Slots with an edge changed lately.", "soft");
    private final SlotGrid grid = new SlotGrid(COLUMNS, true);
    private LiveSnapshot seen = LiveSnapshot.EMPTY;
    private @Nullable UniverseKey shown;

    LevelsView(OpenDocument document) {
        super(8);
        this.document = document;
        universes.setId("levels-universe");
        universes.setAccessibleText("Universe");
        universes.setConverter(Named.by(this::name));
        universes.setPrefWidth(230);
        universes.valueProperty().addListener(o -> show(seen));
        of.setId("levels-source");
        of.setAccessibleText("Merged, or one source");
        of.setPrefWidth(200);
        of.valueProperty().addListener(o -> show(seen));
        units.setId("levels-unit");
        units.setAccessibleText("How levels are written");
        units.getItems().setAll(Unit.values());
        units.setConverter(Named.by(u -> u.words));
        units.setPrefWidth(110);
        units.setMinWidth(110);
        units.setValue(Unit.BYTE);
        units.valueProperty().addListener(o -> {
            grid.setWriting(units.getValue()::write);
            show(seen);
        });
        grid.setWriting(Unit.BYTE::write);
        grid.setId("levels-grid");
        grid.onChosen(s -> saySlot());
        HBox choose = new HBox(10, universes, of, units, hold, said);
        choose.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(grid, Priority.ALWAYS);
        HBox below = new HBox(10, slot, Mark.gap());
        getChildren().addAll(choose, grid, below);
    }

    private String name(UniverseKey key) {
        return seen.planned(key, document.plan()).map(u -> u.label() + "  ").orElse("") + key.words();
    }

    /** Shows a universe. */
    void choose(UniverseKey key) {
        if (universes.getItems().contains(key)) {
            universes.setValue(key);
        }
    }

    void show(LiveSnapshot now) {
        seen = now;
        List<UniverseKey> keys = now.universes().stream()
                .map(u -> new UniverseKey(u.protocol(), u.number()))
                .toList();
        if (!keys.equals(universes.getItems())) {
            UniverseKey was = universes.getValue();
            universes.getItems().setAll(keys);
            universes.setValue(
                    was != null && keys.contains(was)
                            ? was
                            : keys.stream().findFirst().orElse(null));
        }
        UniverseKey key = universes.getValue();
        Optional<UniverseSeen> universe = key == null ? Optional.empty() : now.universe(key);
        if (universe.isEmpty()) {
            grid.show(new byte[512], true);
            said.setText("Nothing arrives.");
            return;
        }
        sources(universe.get());
        boolean another = !universe.map(u -> key).equals(Optional.ofNullable(shown));
        if (another) {
            grid.hold(null);
        }
        shown = key;
        grid.setDay(document.settings().dayProperty().get());
        grid.show(levels(universe.get()).toArray(), another);
        hold.setText(grid.isHeld() ? "Let go of the held moment" : "Hold this moment");
        said.setText(grid.isHeld() ? grid.different() + " slots differ from it" : "");
        saySlot();
    }

    private void sources(UniverseSeen universe) {
        List<String> names = new ArrayList<>();
        names.add("merged");
        universe.sources().forEach(s -> {
            names.add(sourceName(s));
            if (s.slotPriorities().isPresent()) {
                names.add(priorities(s));
            }
        });
        if (!names.equals(of.getItems())) {
            String was = of.getValue();
            of.getItems().setAll(names);
            of.setValue(was != null && names.contains(was) ? was : "merged");
        }
    }

    private static String sourceName(StreamSeen s) {
        return s.title() + ", priority " + s.priority();
    }

    private static String priorities(StreamSeen s) {
        return s.title() + ", its priority by slot";
    }

    private Bytes levels(UniverseSeen universe) {
        String wanted = of.getValue();
        for (StreamSeen s : universe.sources()) {
            if (sourceName(s).equals(wanted)) {
                return s.levels();
            }
            if (priorities(s).equals(wanted)) {
                return s.slotPriorities().orElse(s.levels());
            }
        }
        return universe.levels();
    }

    private void holdOrLetGo() {
        UniverseKey key = universes.getValue();
        if (key != null) {
            Optional<UniverseSeen> universe = seen.universe(key);
            grid.hold(
                    grid.isHeld() || universe.isEmpty()
                            ? null
                            : levels(universe.get()).toArray());
            show(seen);
        }
    }

    private void saySlot() {
        UniverseKey key = universes.getValue();
        int at = grid.chosen();
        if (key == null || at == 0) {
            return;
        }
        Optional<UniverseSeen> universe = seen.universe(key);
        int level = universe.map(u -> levels(u).at(at - 1)).orElse(0);
        Plan plan = document.plan();
        Optional<Universe> planned = seen.planned(key, plan);
        Optional<Fixture> fixture = planned.flatMap(u -> plan.index().fixturesIn(u.id()).stream()
                .filter(f -> f.slotsIn(u.id()).anyMatch(s -> s == at))
                .findFirst());
        String whose = "";
        if (planned.isPresent() && fixture.isPresent()) {
            int first = fixture.get().slotsIn(planned.get().id()).min().orElse(at);
            grid.mark(first, fixture.get().slotsIn(planned.get().id()).max().orElse(at));
            whose = ", slot " + (at - first + 1) + " of " + fixture.get().number() + " "
                    + fixture.get().name();
        } else {
            grid.mark(0, 0);
        }
        slot.setText("Slot " + at + ": " + level + ", " + Unit.PERCENT.write(level) + " %, 0x" + Unit.HEX.write(level)
                + whose);
    }
}
