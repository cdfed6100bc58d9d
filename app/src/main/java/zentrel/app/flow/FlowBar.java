package zentrel.app.flow;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.HBox;
import zentrel.app.flow.FlowView.Fold;
import zentrel.app.look.Texted;
import zentrel.app.look.Texts;
import zentrel.plan.Id;

/** What of the flow is shown, and what boxes are folded by. */
final class FlowBar extends HBox {
    private static final String EVERY = "every ";

    private final ComboBox<String> protocol = new ComboBox<>();
    private final ComboBox<String> segment = new ComboBox<>();
    private final ComboBox<String> place = new ComboBox<>();
    private final ComboBox<Fold> fold = new ComboBox<>();
    private final CheckBox wrong = new CheckBox("only what is wrong");
    private final Map<String, String> protocols = new LinkedHashMap<>();
    private final Map<String, Id<?>> segments = new LinkedHashMap<>();
    private final Consumer<FlowView> change;
    private FlowView view = FlowView.ALL;
    private boolean filling;

    FlowBar(Consumer<FlowView> change) {
        super(8);
        this.change = change;
        setAlignment(Pos.CENTER_LEFT);
        choice(protocol, "flow-protocol", "Protocol");
        choice(segment, "flow-segment", "Segment");
        choice(place, "flow-place", "Place");
        fold.setId("flow-fold");
        fold.setAccessibleText("Folded by");
        fold.setConverter(new Texted<>(f -> switch (f) {
            case AS_NEEDED -> "folded as needed";
            case PLACE -> "folded by place";
            case KIND -> "folded by kind";
            case NOTHING -> "nothing folded";
        }));
        fold.getItems().setAll(Fold.values());
        fold.setValue(Fold.AS_NEEDED);
        fold.setOnAction(e -> changed());
        wrong.setId("flow-wrong");
        wrong.setOnAction(e -> changed());
        getChildren().addAll(Texts.of("Show", "soft"), protocol, segment, place, wrong, fold);
    }

    private void choice(ComboBox<String> box, String id, String what) {
        box.setId(id);
        box.setAccessibleText(what);
        box.getItems().setAll(EVERY + what.toLowerCase(java.util.Locale.ROOT));
        box.getSelectionModel().selectFirst();
        box.setOnAction(e -> changed());
    }

    /** Offers what the whole model has. */
    void offer(FlowModel whole) {
        Map<String, String> titles =
                Map.of("artnet", "Art-Net", "sacn", "sACN", "osc", "OSC", "dmx", "DMX", "own", "its own");
        protocols.clear();
        whole.in().forEach(b -> protocols.put(titles.getOrDefault(b.protocol(), b.protocol()), b.protocol()));
        segments.clear();
        whole.carriers().forEach(c -> segments.put(c.name(), c.id()));
        TreeSet<String> places = new TreeSet<>();
        whole.takers().forEach(t -> places.add(t.place()));
        places.remove("");
        filling = true;
        fill(protocol, List.copyOf(protocols.keySet()));
        fill(segment, List.copyOf(segments.keySet()));
        fill(place, List.copyOf(places));
        filling = false;
    }

    private static void fill(ComboBox<String> box, List<String> items) {
        String now = box.getValue();
        List<String> all = new ArrayList<>(List.of(box.getItems().get(0)));
        all.addAll(items);
        if (!all.equals(box.getItems())) {
            box.getItems().setAll(all);
            box.setValue(all.contains(now) ? now : all.get(0));
        }
    }

    /** Shows what is shown. */
    void show(FlowView now) {
        view = now;
        filling = true;
        protocol.setValue(named(
                protocol,
                protocols.entrySet().stream()
                        .filter(e -> now.protocol().equals(Optional.of(e.getValue())))
                        .map(Map.Entry::getKey)
                        .findFirst()));
        segment.setValue(named(
                segment,
                segments.entrySet().stream()
                        .filter(e -> now.carrier().equals(Optional.of(e.getValue())))
                        .map(Map.Entry::getKey)
                        .findFirst()));
        place.setValue(named(place, now.place()));
        wrong.setSelected(now.wrong());
        fold.setValue(now.fold());
        filling = false;
    }

    private static String named(ComboBox<String> box, Optional<String> value) {
        return value.orElse(box.getItems().get(0));
    }

    private void changed() {
        if (filling) {
            return;
        }
        FlowView next = view.withProtocol(Optional.ofNullable(protocols.get(protocol.getValue())))
                .withCarrier(Optional.ofNullable(segments.get(segment.getValue())))
                .withPlace(Optional.of(place.getValue())
                        .filter(p -> place.getSelectionModel().getSelectedIndex() > 0))
                .withWrong(wrong.isSelected());
        change.accept(next.fold() == fold.getValue() ? next : next.folded(fold.getValue()));
    }
}
