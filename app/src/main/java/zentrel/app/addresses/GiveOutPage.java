package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import zentrel.address.AddressBlock;
import zentrel.address.GivingOut;
import zentrel.address.Scheme;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.plan.HostId;
import zentrel.plan.Plan;
import zentrel.plan.Segment;

/** Addresses given out by a scheme: to the boxes that have none, or to all that are not pinned. */
final class GiveOutPage extends ReaddressPage {
    private static final String KINDS = "a block for each kind of box";
    private static final String FIELDS = "place · kind · number, by bits";

    private final ComboBox<String> scheme = new ComboBox<>();
    private final TextField pool = number("give-pool", "0", "Addresses for a DHCP pool, 0 for none");
    private final TextField place = number("give-place", "4", "Bits for the place");
    private final TextField kind = number("give-kind", "4", "Bits for the kind of box");
    private final TextField count = number("give-number", "8", "Bits for the number");
    private final CheckBox anew = new CheckBox("also to those that have one (pinned stay)");

    GiveOutPage(OpenDocument document, Runnable away) {
        super(document, away, "give", "Give out addresses");
        scheme.getItems().addAll(KINDS, FIELDS);
        scheme.getSelectionModel().selectFirst();
        scheme.setId("give-scheme");
        scheme.setAccessibleText("Scheme");
        anew.setId("give-anew");
        anew.setOnAction(e -> clear());
        HBox kinds = row(Texts.of("DHCP pool of", "soft"), pool);
        HBox bits = row(
                Texts.of("Bits for place", "soft"),
                place,
                Texts.of("kind", "soft"),
                kind,
                Texts.of("number", "soft"),
                count);
        bits.managedProperty().bind(bits.visibleProperty());
        kinds.managedProperty().bind(kinds.visibleProperty());
        bits.setVisible(false);
        scheme.setOnAction(e -> {
            bits.setVisible(FIELDS.equals(scheme.getValue()));
            kinds.setVisible(!bits.isVisible());
            clear();
        });
        build(
                List.of(Texts.of("by", "soft"), scheme),
                List.of(kinds, bits, anew),
                "Each kind of box gets a block of its own with room to double, or each fact a field of bits that can be read"
                        + " off a label. Nothing changes before you say so.");
    }

    void start(boolean all) {
        anew.setSelected(all);
        work();
    }

    private TextField number(String id, String value, String what) {
        TextField field = new TextField(value);
        field.setId(id);
        field.setPrefColumnCount(3);
        field.setAccessibleText(what);
        field.textProperty().addListener(o -> clear());
        field.setOnAction(e -> work());
        return field;
    }

    private static int whole(TextField field, int most) {
        String text = field.getText().strip();
        if (!text.matches("\\d{1,6}") || Integer.parseInt(text) > most) {
            throw new IllegalArgumentException("\"" + text + "\" will not do for the "
                    + field.getAccessibleText().toLowerCase(Locale.ROOT) + ": a whole number up to " + most + ".");
        }
        return Integer.parseInt(text);
    }

    @Override
    Function<Plan, Worked> asked(Segment segment, Optional<HostId> mine) {
        boolean all = anew.isSelected();
        boolean byFields = FIELDS.equals(scheme.getValue());
        return plan -> {
            Scheme chosen = byFields
                    ? new Scheme.ByFields(whole(place, 16), whole(kind, 16), whole(count, 16))
                    : new Scheme.ByKind(whole(pool, 65_000));
            GivingOut given = GivingOut.of(plan, segment.id(), chosen, all, mine);
            return new Worked(given.readdressing(), lines(given.blocks()), false);
        };
    }

    private static List<String> lines(List<AddressBlock> blocks) {
        int widest = blocks.stream().mapToInt(b -> b.title().length()).max().orElse(1);
        List<String> lines = new ArrayList<>();
        for (AddressBlock block : blocks) {
            lines.add(String.format(
                    Locale.ROOT,
                    "%-" + widest + "s  %-18s %15s to %-15s %5d of %d",
                    block.title(),
                    block.range(),
                    block.first(),
                    block.range().last(),
                    block.boxes(),
                    block.size()));
        }
        return lines;
    }

    @Override
    String nothing() {
        return "Every box has its address already. Tick the box above to number them anew.";
    }
}
