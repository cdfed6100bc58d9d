package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;
import zentrel.address.AddressAllocation;
import zentrel.address.AddressBlock;
import zentrel.address.Scheme;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;

/** Addresses given out by a scheme: to the boxes that have none, or to all that are not pinned. */
final class GiveOutPanel extends ReaddressPanel {
    private static final String KINDS = "a block for each kind of device";
    private static final String FIELDS = "facts in bit fields";

    private static final int MOST_POOL = 65_000;

    private final ComboBox<String> scheme = new ComboBox<>();
    private final TextField pool = number("give-pool", "0", "Addresses for a DHCP pool, 0 for none");
    private final TextField fields = number("give-fields", "place 4, kind 4, number 8", "Fields from left to right");
    private final CheckBox anew = new CheckBox("also to those that have one (pinned stay)");

    GiveOutPanel(OpenDocument document, Runnable away) {
        super(document, away, "give", "Assign addresses", Where.ONE_OR_ALL);
        scheme.getItems().addAll(KINDS, FIELDS);
        scheme.getSelectionModel().selectFirst();
        scheme.setId("give-scheme");
        scheme.setAccessibleText("Scheme");
        anew.setId("give-anew");
        anew.setOnAction(e -> clear());
        HBox kinds = row(Texts.of("DHCP pool of", "soft"), pool);
        fields.setPrefColumnCount(34);
        fields.getStyleClass().add("mono");
        HBox bits = row(Texts.of("Fields and their bits", "soft"), fields);
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
                "Each kind of device gets a block of its own with room to double, or each fact a field of bits that can be read"
                        + " off a label: place, kind, type, or one of your own, as in \"side 2 = left / right\". Nothing changes before you say so.");
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

    private static int whole(String text) {
        if (!text.matches("\\d{1,6}") || Integer.parseInt(text) > MOST_POOL) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" will not do for the pool: a whole number up to " + MOST_POOL + ".");
        }
        return Integer.parseInt(text);
    }

    @Override
    Function<Plan, Worked> asked(@Nullable Segment segment, Optional<Id<Host>> mine) {
        boolean all = anew.isSelected();
        Id<Segment> one =
                Objects.requireNonNull(segment, "a page about segments").id();
        Supplier<Scheme> chosen = scheme();
        boolean everywhere = everywhere();
        return plan -> {
            List<Id<Segment>> where = everywhere
                    ? plan.segments().stream()
                            .filter(s -> s.subnet().isPresent())
                            .map(Segment::id)
                            .toList()
                    : List.of(one);
            AddressAllocation given = AddressAllocation.of(plan, where, chosen.get(), all, mine);
            return new Worked(given.readdressing(), lines(given.blocks()), false);
        };
    }

    /** What is typed in now; what will not do is told when it is used. */
    private Supplier<Scheme> scheme() {
        String typed = FIELDS.equals(scheme.getValue()) ? fields.getText() : "";
        String size = pool.getText().strip();
        return () -> typed.isEmpty() ? new Scheme.ByKind(whole(size)) : Scheme.ByFields.parse(typed);
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
        return "Every device has its address already. Tick the field above to number them again.";
    }
}
