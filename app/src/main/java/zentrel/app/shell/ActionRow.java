package zentrel.app.shell;

import java.util.List;
import javafx.geometry.Side;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.app.document.UserLibrary;
import zentrel.command.Addition;
import zentrel.command.Additions;
import zentrel.gear.Library;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** What can be done with what is selected, whatever it is: see all its fields, add to it, remove it. */
final class ActionRow extends VBox {
    private final OpenDocument document;
    private final UserLibrary library;
    private final Button fields;
    private final Button add = MarginPane.quiet("Add …", this::showMenu);
    private final Button remove = MarginPane.quiet("Remove", this::remove);
    private final FlowPane buttons = new FlowPane(10, 2);
    private ContextMenu menu = new ContextMenu();
    private @Nullable Id<?> id;

    ActionRow(OpenDocument document, UserLibrary library, Runnable toggleFields) {
        super(6);
        this.document = document;
        this.library = library;
        fields = MarginPane.quiet("", toggleFields);
        fields.setId("all-fields");
        add.setId("add");
        remove.setId("remove-selected");
        getChildren().add(buttons);
    }

    /** Offers what can be done with a thing. */
    void of(Id<?> id, boolean fieldsShown) {
        this.id = id;
        fields.setText(fieldsShown ? "Hide the fields  Ctrl E" : "All fields  Ctrl E");
        buttons.getChildren().setAll(fields, add, remove);
    }

    /** Offers what can be done with the plan. */
    void ofPlan() {
        id = null;
        buttons.getChildren().setAll(add);
    }

    /** Leaves a form that was begun. */
    void close() {
        getChildren().setAll(buttons);
    }

    /** Shows what can be added. */
    void showMenu() {
        library.use(this::showMenu);
    }

    private void showMenu(Library read) {
        if (menu.isShowing()) {
            return; // a key that is held asks again and again
        }
        Plan plan = document.plan();
        Id<?> to = id;
        List<Addition> all = to == null || plan.index().find(to).isEmpty()
                ? Additions.toPlan(plan, read)
                : Additions.to(plan, read, to);
        if (all.isEmpty()) {
            document.tell("Nothing can be added to "
                    + (to == null ? "the plan" : plan.index().name(to)) + ".");
            return;
        }
        menu = new ContextMenu(); // anew, so that its first item is the chosen one
        for (Addition addition : all) {
            MenuItem item = new MenuItem(addition.title());
            item.setOnAction(e -> begin(addition));
            menu.getItems().add(item);
        }
        menu.show(add, Side.BOTTOM, 0, 0);
    }

    private void begin(Addition addition) {
        AddBox form = new AddBox(document, addition, this::close);
        getChildren().setAll(buttons, form);
        form.begin();
    }

    /** Removes what is selected; what goes with it is said, and undo brings all of it back. */
    void remove() {
        Id<?> gone = document.selectionProperty().get();
        if (gone == null || document.plan().index().find(gone).isEmpty()) {
            document.tell("Select what is to be removed.");
            return;
        }
        document.select(null);
        Removal.of(document, List.of(gone));
    }
}
