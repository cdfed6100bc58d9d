package zentrel.app.universes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.gear.EntityAdditions;
import zentrel.plan.Application;
import zentrel.plan.Id;
import zentrel.plan.PlanIndex;
import zentrel.plan.Stream;
import zentrel.plan.Universe;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** Switches what is sent of the chosen universes on and off: one program by one protocol at a time, or all of it. */
final class SwitchMenu extends MenuButton {
    /** A program and a protocol by which it sends. */
    private record Sender(Id<Application> program, Protocol protocol) {}

    private final OpenDocument document;

    SwitchMenu(OpenDocument document) {
        super("Switch on or off");
        this.document = document;
        setId("universes-switch");
        setMinWidth(USE_PREF_SIZE);
        setTooltip(new Tooltip("Switch what is sent of the chosen universes (Space); Shift+arrows choose several"));
        showFor(List.of());
    }

    /** Offers what can be switched of some universes. */
    void showFor(List<Universe> chosen) {
        PlanIndex index = document.plan().index();
        Map<Sender, List<Stream>> senders = new LinkedHashMap<>();
        chosen.stream()
                .flatMap(u -> index.streamsOf(u.id()).stream())
                .forEach(s -> senders.computeIfAbsent(new Sender(s.application(), s.protocol()), x -> new ArrayList<>())
                        .add(s));
        List<MenuItem> items = new ArrayList<>();
        senders.entrySet().stream()
                .sorted(Comparator.comparing(e -> -e.getValue().size()))
                .forEach(e -> items.add(item(index, e.getKey(), e.getValue(), items.size())));
        getItems().setAll(items);
        setDisable(items.isEmpty());
    }

    private MenuItem item(PlanIndex index, Sender sender, List<Stream> streams, int at) {
        boolean on = streams.stream().noneMatch(s -> s.enabled().inForce());
        String name = index.name(sender.program());
        return Buttons.item(
                Counted.of(streams.size(), "universe") + " of " + name + " by "
                        + sender.protocol().title() + (on ? ": on" : ": off"),
                "universes-switch-" + at,
                () -> document.apply(EntityAdditions.switched(name, streams, on)));
    }

    /** Switches at once where only one program and protocol is meant; else asks which. */
    void key(KeyEvent key) {
        if (key.getCode() != KeyCode.SPACE || getItems().isEmpty()) {
            return;
        }
        key.consume();
        if (getItems().size() == 1) {
            getItems().get(0).fire();
        } else {
            show();
        }
    }
}
