package zentrel.app.addresses;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import org.jspecify.annotations.Nullable;
import zentrel.address.AddressSequence;
import zentrel.address.AddressWord;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Columns;
import zentrel.app.look.Columns.Column;
import zentrel.app.look.Lists;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.gear.GearEdit;
import zentrel.gear.SettingChange;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.Verdict;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Edit;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.text.Counted;

/** Every address in a row that is edited in place; several rows chosen are numbered one after the other, or pinned together. */
final class AddressList extends ListView<AddressList.Row> {
    /** One address of an adapter, or an adapter without one. */
    record Row(Host host, Adapter adapter, int at) {
        Optional<AdapterAddress> address() {
            return at < adapter.addresses().size()
                    ? Optional.of(adapter.addresses().get(at))
                    : Optional.empty();
        }
    }

    /** Frame of the list and its bar. */
    private static final double BESIDE = 18;

    private final Columns columns = new Columns(List.of(
            new Column("Device", 120, 180, 3, 0),
            new Column("Adapter", 70, 110, 2, 0),
            new Column("Address", 130, 150, 1, 0),
            new Column("Mask", 110, 140, 1, 2),
            new Column("Segment", 64, 90, 2, 1),
            new Column("State", 96, 110, 2, 0)));

    private final OpenDocument document;
    private boolean refreshing;

    AddressList(OpenDocument document) {
        this.document = document;
        setId("address-list");
        setPrefHeight(180);
        setAccessibleText("Adapters; F2 or Enter edits the address, Enter sets it, Shift Enter plans it for later");
        setCellFactory(v -> new Cell());
        Lists.keepInSight(this);
        widthProperty().addListener(o -> {
            if (columns.fit(getWidth() - BESIDE)) {
                refresh();
            }
        });
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        getSelectionModel().selectedItemProperty().addListener((o, old, row) -> {
            if (row != null && !refreshing) {
                Platform.runLater(this::selectOne); // a range is chosen row by row, and is whole only then
            }
        });
        setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.F2 || e.getCode() == KeyCode.ENTER) {
                editSelected();
                e.consume();
            } else if (e.getCode() == KeyCode.P && !e.isShortcutDown()) {
                pin();
                e.consume();
            }
        });
    }

    /** What stands alone is selected in every picture. */
    private void selectOne() {
        List<Row> rows = chosen();
        if (rows.size() == 1) {
            document.select(rows.get(0).adapter().id());
        }
    }

    HBox head() {
        return columns.head();
    }

    /** Shows the addresses of a plan; rows that were chosen stay so, and those of what is selected are where none was. */
    void show(Plan plan, Predicate<Adapter> selected) {
        List<Row> rows = new ArrayList<>();
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                for (int i = 0; i < Math.max(1, adapter.addresses().size()); i++) {
                    rows.add(new Row(host, adapter, i));
                }
            }
        }
        if (lookup("#address-field") != null && rows.equals(getItems())) {
            return; // somebody types in one of them, and nothing of them changed
        }
        List<Id<Adapter>> before = chosen().stream().map(r -> r.adapter().id()).toList();
        refreshing = true;
        getItems().setAll(rows);
        if (before.size() > 1) {
            for (int i = 0; i < rows.size(); i++) {
                if (before.contains(rows.get(i).adapter().id())) {
                    getSelectionModel().select(i);
                }
            }
        } else {
            rows.stream().filter(r -> selected.test(r.adapter())).findFirst().ifPresent(r -> {
                getSelectionModel().select(r);
                Lists.reveal(this, rows.indexOf(r));
            });
        }
        refreshing = false;
    }

    /** The rows chosen, in the order of the list. */
    List<Row> chosen() {
        return getSelectionModel().getSelectedIndices().stream()
                .sorted()
                .filter(i -> i >= 0 && i < getItems().size())
                .map(getItems()::get)
                .toList();
    }

    private void editSelected() {
        int first = getSelectionModel().getSelectedIndices().stream()
                .mapToInt(i -> i)
                .min()
                .orElse(-1);
        if (first < 0) {
            return;
        }
        layout(); // what is still to be laid out would take the field away again
        if (cell(first).isEmpty()) {
            scrollTo(first);
            layout();
        }
        cell(first).ifPresent(Cell::edit);
    }

    private Optional<Cell> cell(int index) {
        return lookupAll(".list-cell").stream()
                .filter(n -> n instanceof Cell cell && !cell.isEmpty() && cell.getIndex() == index)
                .map(Cell.class::cast)
                .findFirst();
    }

    /** Pins what is chosen, so that it keeps its address when others are assigned again; or lets it go. */
    private void pin() {
        List<Row> rows = chosen();
        if (rows.isEmpty()) {
            return;
        }
        boolean pinned = rows.stream().allMatch(r -> r.adapter().pinned());
        String what = rows.size() == 1
                ? "the address of the "
                        + document.plan().index().name(rows.get(0).adapter().id())
                : rows.size() + " addresses";
        document.apply(new Edit((pinned ? "Let go " : "Pin ") + what, p -> {
            Plan next = p;
            for (Row row : rows) {
                next = next.with(row.adapter().id(), a -> a.withPinned(!pinned));
            }
            return next;
        }));
    }

    /** Sets what was typed; on several rows, one after the other. False where it is refused, so that it can be mended. */
    private boolean set(Row row, String text, boolean later) {
        List<Row> rows = chosen();
        try {
            if (rows.size() > 1 && rows.contains(row)) {
                setAll(rows, text, later);
                return true;
            }
            Optional<Edit> word = AddressWord.of(document.plan(), row.adapter().id(), row.at(), text);
            if (word.isPresent()) {
                document.apply(word.get());
                return true;
            }
            document.propose(
                    SettingChange.address(document.plan(), row.adapter().id(), row.at(), typed(row, text)), later);
            return true;
        } catch (IllegalArgumentException e) {
            document.tell(String.valueOf(e.getMessage()));
            return false;
        }
    }

    private void setAll(List<Row> rows, String text, boolean later) {
        List<Id<Adapter>> adapters =
                rows.stream().map(r -> r.adapter().id()).distinct().toList();
        Plan plan = document.plan();
        if (AddressWord.of(plan, adapters.get(0), 0, text).isPresent()) {
            document.apply(new Edit("Set " + Counted.of(adapters.size(), "adapter") + " to " + text, p -> {
                Plan next = p;
                for (Id<Adapter> id : adapters) {
                    next = AddressWord.of(next, id, 0, text).orElseThrow().applyTo(next);
                }
                return next;
            }));
            return;
        }
        HostAddress first = typed(rows.get(0), text);
        document.make(
                () -> {
                    var numbered = AddressSequence.of(plan, adapters, first);
                    return new GearEdit(later ? numbered.later() : numbered.edit(), List.of());
                },
                made -> document.tell(Counted.of(adapters.size(), "adapter is", "adapters are") + " numbered from "
                        + first.address() + "; lists and links that name them followed."));
    }

    private HostAddress typed(Row row, String text) {
        if (text.contains("/")) {
            return HostAddress.parse(text);
        }
        int length = row.address()
                .map(a -> a.inForce().prefixLength())
                .orElseGet(() -> row.adapter()
                        .segment()
                        .flatMap(s -> document.plan().index().segment(s).subnet())
                        .map(s -> s.prefixLength())
                        .orElse(8));
        return new HostAddress(Ipv4Address.parse(text), length);
    }

    private @Nullable Severity severity(Report report, Id<Adapter> adapter) {
        return report.findings().stream()
                .filter(f -> (f.rule().startsWith("address.") || f.rule().startsWith("adapter."))
                        && f.subjects().contains(adapter)
                        && RulerPane.isAbout(f, adapter))
                .map(Finding::severity)
                .max(java.util.Comparator.naturalOrder())
                .orElse(null);
    }

    private final class Cell extends ListCell<Row> {
        @Override
        protected void updateItem(@Nullable Row row, boolean empty) {
            super.updateItem(row, empty);
            setText(null);
            setGraphic(empty || row == null ? null : graphic(row));
        }

        private HBox graphic(Row row) {
            Report report = document.reportProperty().get();
            Optional<HostAddress> address = row.address().map(AdapterAddress::inForce);
            Label number =
                    cell(Texts.mono(address.map(a -> a.address().toString()).orElse("none")), columns.width(2));
            number.setId("address-value");
            number.setOnMouseClicked(e -> {
                if (e.getClickCount() == 2) {
                    edit();
                }
            });
            HBox box = new HBox(
                    cell(Texts.of(row.host().name()), columns.width(0)),
                    cell(Texts.of(row.adapter().name(), "soft"), columns.width(1)),
                    number,
                    cell(Texts.mono(address.map(a -> a.mask().toString()).orElse(""), "soft"), columns.width(3)),
                    cell(
                            Texts.of(
                                    row.adapter()
                                            .segment()
                                            .map(s -> document.plan().index().name(s))
                                            .orElse("none"),
                                    "soft"),
                            columns.width(4)));
            Severity severity =
                    report == null ? null : severity(report, row.adapter().id());
            box.getChildren().add(severity == null ? Mark.of(Verdict.PASSES) : Mark.of(severity));
            if (severity != null) {
                word(box, severity.title(), severity.word());
            }
            row.address()
                    .filter(a -> a.origin() != AddressOrigin.MANUAL)
                    .ifPresent(a -> word(box, a.origin().word().replace('-', ' '), "soft"));
            if (row.adapter().pinned()) {
                word(box, "pinned", "soft");
            }
            row.address()
                    .filter(a -> a.address().isPending())
                    .ifPresent(a -> box.getChildren()
                            .add(Texts.mono("planned " + a.address().planned().address(), "soft", "small")));
            box.getStyleClass().add("lane");
            box.setMinHeight(24);
            return box;
        }

        private static void word(HBox box, String text, String style) {
            Label word = Texts.of(text, style, "small");
            word.setPadding(new Insets(0, 8, 0, 5));
            box.getChildren().add(word);
        }

        private static Label cell(Label label, double width) {
            label.setVisible(width > 0);
            label.setManaged(width > 0);
            label.setPrefWidth(width);
            label.setMinWidth(width);
            label.setMaxWidth(width);
            return label;
        }

        void edit() {
            Row row = getItem();
            if (row == null || !(getGraphic() instanceof HBox box)) {
                return;
            }
            TextField field =
                    new TextField(row.address().map(a -> a.inForce().toString()).orElse(""));
            field.getStyleClass().add("mono");
            field.setId("address-field");
            field.setPrefWidth(columns.width(2));
            field.setMaxWidth(columns.width(2));
            field.setAccessibleText("Address and mask of " + row.host().name() + "; or a word: " + AddressWord.WORDS);
            box.getChildren().set(2, field);
            field.requestFocus();
            field.selectAll();
            field.setOnKeyPressed(e -> {
                if (e.getCode() == KeyCode.ENTER) {
                    e.consume();
                    if (set(row, field.getText().strip(), e.isShiftDown())) {
                        updateItem(row, false);
                        AddressList.this.requestFocus();
                    }
                } else if (e.getCode() == KeyCode.ESCAPE) {
                    updateItem(row, false);
                    AddressList.this.requestFocus();
                    e.consume();
                }
            });
        }
    }
}
