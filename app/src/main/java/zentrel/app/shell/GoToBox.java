package zentrel.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.geometry.Bounds;
import javafx.scene.control.Label;
import javafx.scene.control.Skin;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.app.look.WindowRoot;
import zentrel.plan.Fixture;
import zentrel.plan.Kind;
import zentrel.plan.Named;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** One box to go to anything or do anything: type a name, a number or a command, choose, Enter. */
public final class GoToBox extends TextField {
    /**
     * What a line of words could mean.
     *
     * @param why why it means nothing, where it does not
     */
    public record Meant(List<Command> offers, Optional<String> why) {}

    private static final int MOST = 9;
    private static final double WIDEST = 700;
    private static final int NAMES_FIRST = 4;

    private static final Duration AFTER_THE_PICTURE = Duration.millis(600);

    private final OpenDocument document;
    private final Supplier<List<Command>> commands;
    private final Function<String, Optional<Meant>> worded;
    private final VBox rows = new VBox();
    private @Nullable Popup popup; // made when there is something to offer: a popup is a window of its own
    private List<Command> offered = List.of();
    private int chosen;
    private boolean field;

    /**
     * The box.
     *
     * @param commands what can be done by name
     * @param worded what a line of words asks for; empty where that is not known yet
     */
    public GoToBox(OpenDocument document, Supplier<List<Command>> commands, Function<String, Optional<Meant>> worded) {
        this.document = document;
        this.commands = commands;
        this.worded = worded;
        setPromptText("Go to, or do …      Ctrl K");
        setPrefWidth(250);
        setId("go-to");
        setAccessibleText("Go to, or do");
        rows.getStyleClass().add("offers");
        textProperty().addListener(o -> {
            becomeField();
            offer();
        });
        focusedProperty().addListener(o -> {
            becomeField();
            if (!isFocused()) {
                hide();
            }
        });
        setOnMouseEntered(e -> becomeField());
        setOnAction(e -> {
            if (chosen < offered.size()) {
                run(offered.get(chosen));
            }
        });
        addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
    }

    @Override
    protected Skin<?> createDefaultSkin() {
        if (field) {
            return super.createDefaultSkin();
        }
        PauseTransition afterThePicture = new PauseTransition(AFTER_THE_PICTURE);
        afterThePicture.setOnFinished(e -> becomeField());
        afterThePicture.play();
        return new PromptSkin(this);
    }

    /** From now on it takes text. */
    private void becomeField() {
        if (!field) {
            field = true;
            if (getSkin() != null) {
                setSkin(super.createDefaultSkin());
            }
        }
    }

    private void keys(KeyEvent e) {
        switch (e.getCode()) {
            case DOWN -> choose(chosen + 1);
            case UP -> choose(chosen - 1);
            case ESCAPE -> {
                if (getText().isEmpty()) {
                    return; // then Esc is the window's
                }
                clear();
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void choose(int index) {
        if (!offered.isEmpty()) {
            chosen = Math.floorMod(index, offered.size());
            for (int i = 0; i < rows.getChildren().size(); i++) {
                rows.getChildren().get(i).getStyleClass().remove("chosen");
                if (i == chosen) {
                    rows.getChildren().get(i).getStyleClass().add("chosen");
                }
            }
        }
    }

    private void run(Command command) {
        hide();
        clear();
        command.action().run();
    }

    /** Gives back a line that would not do, so that it can be mended. */
    public void giveBack(String line, String why) {
        if (getText().isEmpty()) {
            setText(line);
            end();
            say(why);
        }
        document.tell(why); // the popup goes with the focus
    }

    private void say(String why) {
        Label text = Texts.of(why, "broken", "no-offer");
        text.setWrapText(true);
        text.setMaxWidth(WIDEST);
        rows.getChildren().add(text);
    }

    /** Looks again at what the text could mean; for what becomes known while somebody types. */
    public void refresh() {
        offer();
    }

    private void offer() {
        String typed = getText().toLowerCase(Locale.ROOT).strip();
        hide();
        Optional<Meant> asked =
                typed.isEmpty() ? Optional.empty() : worded.apply(getText().strip());
        offered = typed.isEmpty()
                ? List.of()
                : matches(typed, asked.map(Meant::offers).orElse(List.of()));
        rows.getChildren().setAll(offered.stream().map(this::row).toList());
        choose(0);
        if (offered.isEmpty() && asked.isPresent()) {
            asked.get().why().ifPresent(this::say);
        }
        if (!rows.getChildren().isEmpty() && getScene() != null && getScene().getWindow() != null && isFocused()) {
            // A popup is a window of its own: it wears the colours of this one.
            rows.getStyleClass().setAll("root", "offers");
            WindowRoot.dress(rows, getScene().getWindow());
            Bounds at = localToScreen(getBoundsInLocal());
            rows.setMinWidth(at.getWidth()); // as wide as what is offered, so that nobody takes what he cannot read
            rows.setMaxWidth(WIDEST);
            popup().show(getScene().getWindow(), at.getMinX(), at.getMaxY());
        }
    }

    private Popup popup() {
        Popup made = popup;
        if (made == null) {
            made = new Popup();
            made.getContent().add(rows);
            popup = made;
        }
        return made;
    }

    private void hide() {
        if (popup != null) {
            popup.hide();
        }
    }

    private Label row(Command command) {
        Label row = new Label(command.name());
        row.setMaxWidth(Double.MAX_VALUE);
        row.getStyleClass().add("offer");
        row.setOnMousePressed(e -> run(command));
        return row;
    }

    /** What fits the text, names that begin with it first. */
    private List<Command> matches(String typed, List<Command> asked) {
        Fitting fitting = new Fitting(typed);
        for (Command command : commands.get()) {
            fitting.look(command.name(), () -> command);
        }
        Plan plan = document.plan();
        things(fitting, plan.hosts(), Named::name);
        things(fitting, plan.universes(), GoToBox::label);
        things(fitting, plan.fixtures(), GoToBox::label);
        things(fitting, plan.applications(), a -> a.name() + " (application)");
        things(fitting, plan.links(), l -> l.name() + " (control link)");
        things(fitting, plan.attachments(), x -> x.name() + " (a console's own stream)");
        things(fitting, plan.segments(), s -> s.name() + " (segment)");
        for (Kind<? extends Named> kind : List.of(
                Kind.ADAPTER,
                Kind.RECEIVER,
                Kind.LINE,
                Kind.SESSION,
                Kind.CABLE,
                Kind.COPY,
                Kind.FIXTURE_TYPE,
                Kind.PATCH_LIST,
                Kind.PIXEL_RUN,
                Kind.PIXEL_OUTPUT,
                Kind.SURROUNDING,
                Kind.GROUND_PICTURE,
                Kind.VIEWPOINT)) {
            things(fitting, plan.all(kind), x -> plan.index().name(x.id()) + " (" + kind.title() + ")");
        }
        List<Command> found = new ArrayList<>(fitting.begins);
        found.addAll(fitting.holds);
        // A line that starts with a number or a verb asks for something; one word is more likely a name.
        found.addAll(typed.contains(" ") ? 0 : Math.min(found.size(), NAMES_FIRST), asked);
        return found.stream().limit(MOST).toList();
    }

    private <T extends Named> void things(Fitting fitting, List<T> all, Function<T, String> name) {
        for (T thing : all) {
            if (fitting.isFull()) {
                return;
            }
            String called = name.apply(thing);
            fitting.look(called, () -> new Command(called, () -> document.select(thing.id())));
        }
    }

    /** The first names that fit what is typed; a plan has a hundred thousand, and each letter looks again. */
    private static final class Fitting {
        private final String typed;
        private final List<Command> begins = new ArrayList<>();
        private final List<Command> holds = new ArrayList<>();

        private Fitting(String typed) {
            this.typed = typed;
        }

        private boolean isFull() {
            return begins.size() >= MOST;
        }

        private void look(String name, Supplier<Command> command) {
            String lower = name.toLowerCase(Locale.ROOT);
            if (lower.startsWith(typed)) {
                begins.add(command.get());
            } else if (holds.size() < MOST && lower.contains(typed)) {
                holds.add(command.get());
            }
        }
    }

    private static String label(Universe u) {
        return u.label() + " " + u.name();
    }

    private static String label(Fixture f) {
        return (f.number().isEmpty() ? "" : f.number() + " ") + f.name();
    }
}
