package zentrel.app.shell;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.look.Texts;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.gear.GearEdit;
import zentrel.gear.Library;

/** One line of words, and below it what the line could mean; Enter does the first, arrows choose another. */
public final class WordBox extends VBox {
    private final OpenDocument document;
    private final UserLibrary library;
    private final Consumer<GearEdit> onMade;
    private final String examples;
    private final TextField line = new TextField();
    private final VBox offers = new VBox();
    private List<Offer> offered = List.of();
    private int chosen;

    /**
     * An empty line.
     *
     * @param id of the field
     * @param prompt what stands in it while it is empty
     * @param examples lines that it understands
     * @param onMade told what was made
     */
    public WordBox(
            OpenDocument document,
            UserLibrary library,
            String id,
            String prompt,
            String examples,
            Consumer<GearEdit> onMade) {
        super(2);
        this.examples = examples;
        this.document = document;
        this.library = library;
        this.onMade = onMade;
        line.setId(id);
        line.setPromptText(prompt);
        line.setAccessibleText(prompt + " For example: " + examples);
        line.textProperty().addListener(o -> offer());
        line.setOnAction(e -> {
            if (library.now() == null) {
                library.use(
                        read -> { // somebody is faster than the disk
                            offer();
                            take(0);
                        });
            } else {
                take(chosen);
            }
        });
        line.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        offers.getStyleClass().add("worded");
        getChildren().addAll(line, offers);
        offer();
    }

    /** The field. */
    public TextField line() {
        return line;
    }

    /** Begins a line that somebody then ends. */
    public void begin(String text) {
        line.setText(text);
        line.requestFocus();
        line.end();
    }

    private void keys(KeyEvent e) {
        if (e.getCode() == KeyCode.DOWN && !offered.isEmpty()) {
            chosen = (chosen + 1) % offered.size();
        } else if (e.getCode() == KeyCode.UP && !offered.isEmpty()) {
            chosen = Math.floorMod(chosen - 1, offered.size());
        } else if (e.getCode() == KeyCode.ESCAPE && !line.getText().isEmpty()) {
            line.clear();
        } else if (e.getCode() == KeyCode.Z
                && e.isShortcutDown()
                && line.getText().isEmpty()) {
            // With nothing typed, undo means the plan, not the letters of the line before.
            if (e.isShiftDown()) {
                document.redo();
            } else {
                document.undo();
            }
        } else {
            return;
        }
        mark();
        e.consume();
    }

    private void offer() {
        chosen = 0;
        offers.getChildren().clear();
        offered = List.of();
        String text = line.getText().strip();
        if (text.isEmpty()) {
            offers.getChildren().add(Texts.of(examples, "soft", "small"));
            return;
        }
        Library read = library.now();
        if (read == null) {
            library.use(l -> offer());
            return;
        }
        Commands.Reading reading =
                new Commands(document.plan(), read, document.selectionProperty().get()).read(text);
        offered = reading.offers();
        for (int i = 0; i < offered.size(); i++) {
            int number = i;
            Button button = new Button(offered.get(i).text());
            button.getStyleClass().addAll("quiet", "offer");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setFocusTraversable(false);
            button.setOnAction(e -> take(number));
            offers.getChildren().add(button);
        }
        if (offered.isEmpty()) {
            say(reading.why().orElse(""));
        }
        mark();
    }

    private void mark() {
        for (int i = 0; i < offered.size(); i++) {
            offers.getChildren().get(i).getStyleClass().remove("chosen");
            if (i == chosen) {
                offers.getChildren().get(i).getStyleClass().add("chosen");
            }
        }
    }

    private void take(int number) {
        if (number < offered.size()) {
            Offer offer = offered.get(number);
            String said = line.getText();
            line.clear();
            document.make(offer.work(), onMade, why -> {
                if (line.getText().isEmpty()) { // nothing that was typed is lost
                    line.setText(said);
                    line.end();
                    say(why);
                }
            });
        }
    }

    /** Why the line will not do, right below it. */
    private void say(String why) {
        Label text = Texts.wrapped(why, "broken", "small");
        text.setId("words-refused");
        offers.getChildren().add(text);
    }
}
