package zentrel.app.gear;

import java.io.File;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.look.Texts;
import zentrel.app.shell.Boxes;
import zentrel.entry.ProfileForm;
import zentrel.entry.ProfileOfDevice;
import zentrel.file.PlanFileException;
import zentrel.file.ProfileFile;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.plan.Kind;
import zentrel.profile.Profile;

/** The library: choose a profile, add gear of it, copy it as one's own, edit it as its file, import and export. */
final class ProfilePanel extends HBox {
    private static final double LIST_WIDTH = 250;

    private final OpenDocument document;
    private final UserLibrary library;
    private final TextField filter = new TextField();
    private final ListView<Profile> list = new ListView<>();
    private final TextArea text = new TextArea();
    private final ProfileFormPane form = new ProfileFormPane(text::setText);
    private final VBox middle = new VBox(form);
    private final Button other = new Button("As its file");
    private final Label state = Texts.wrapped("", "small");
    private final Button keep = button("Keep as mine", "profile-keep", this::keep);
    private final Button add = button("Add one to the plan", "profile-add", this::addOne);

    ProfilePanel(OpenDocument document, UserLibrary library, Runnable away) {
        super(24);
        this.document = document;
        this.library = library;
        filter.setPromptText("Find a profile");
        filter.setAccessibleText("Find a profile");
        filter.textProperty().addListener(o -> fill(null));
        list.setId("profile-list");
        list.setAccessibleText("Profiles");
        list.setCellFactory(v -> new ListCell<>() {
            @Override
            protected void updateItem(@Nullable Profile profile, boolean empty) {
                super.updateItem(profile, empty);
                setGraphic(
                        empty || profile == null
                                ? null
                                : new VBox(
                                        0, Texts.of(profile.name()), Texts.of(profile.id(), "mono", "soft", "small")));
            }
        });
        list.getSelectionModel().selectedItemProperty().addListener((o, old, profile) -> show(profile));
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox left = new VBox(6, Texts.heading("Profiles"), filter, list);
        left.setMinWidth(LIST_WIDTH);
        left.setMaxWidth(LIST_WIDTH);
        text.setId("profile-text");
        text.getStyleClass().add("mono");
        text.setAccessibleText("The profile as its file");
        text.textProperty().addListener(o -> judge());
        VBox.setVgrow(text, Priority.ALWAYS);
        VBox.setVgrow(form, Priority.ALWAYS);
        VBox.setVgrow(middle, Priority.ALWAYS);
        other.setId("profile-other");
        other.getStyleClass().add("quiet");
        other.setOnAction(e -> toggle());
        Button back = button("Back to the ledger", "profile-back", away);
        back.getStyleClass().setAll("button", "quiet");
        Button fresh = button(
                "New", "profile-new", () -> text.setText(ProfileForm.empty().json()));
        Button ofDevice = button("Of the selected device", "profile-of-device", this::ofDevice);
        FlowPane row = new FlowPane(10, 6);
        row.getChildren()
                .addAll(
                        add,
                        keep,
                        fresh,
                        ofDevice,
                        button("Import …", "profile-import", this::importFile),
                        button("Export …", "profile-export", this::exportFile),
                        back);
        row.setAlignment(Pos.CENTER_LEFT);
        HBox head = new HBox(12, Texts.heading("Edit it, and keep it under an id of your own"), other);
        head.setAlignment(Pos.CENTER_LEFT);
        VBox right = new VBox(6, head, middle, state, row);
        HBox.setHgrow(right, Priority.ALWAYS);
        right.setMinWidth(0);
        getChildren().addAll(left, right);
        fill(null);
    }

    private static Button button(String words, String id, Runnable action) {
        Button button = new Button(words);
        button.setId(id);
        button.getStyleClass().add("action");
        button.setMinWidth(USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
        return button;
    }

    /** Lists what fits the filter, and selects a profile, or the first. */
    private void fill(@Nullable String select) {
        library.use(read -> {
            String wanted = filter.getText().toLowerCase(Locale.ROOT).strip();
            Library all = read.with(document.plan());
            list.getItems()
                    .setAll(all.profiles().stream()
                            .filter(p -> wanted.isEmpty()
                                    || p.name().toLowerCase(Locale.ROOT).contains(wanted)
                                    || p.id().contains(wanted)
                                    || p.words().stream().anyMatch(w -> w.startsWith(wanted)))
                            .sorted(Comparator.comparing(Profile::name))
                            .toList());
            list.getItems().stream()
                    .filter(p -> p.id().equals(select))
                    .findFirst()
                    .ifPresentOrElse(
                            p -> list.getSelectionModel().select(p),
                            () -> list.getSelectionModel().selectFirst());
            if (!read.problems().isEmpty()) {
                document.tell(read.problems().get(0));
            }
        });
    }

    private void show(@Nullable Profile profile) {
        if (profile != null) {
            text.setText(new String(ProfileFile.write(profile), StandardCharsets.UTF_8));
        }
    }

    /** The profile as typed; empty words say that it is good. */
    private @Nullable Profile typed() {
        try {
            return ProfileFile.read(text.getText().getBytes(StandardCharsets.UTF_8));
        } catch (PlanFileException e) {
            state.setText(String.valueOf(e.getMessage()));
            return null;
        }
    }

    private void toggle() {
        boolean asFile = middle.getChildren().contains(form);
        middle.getChildren().setAll(asFile ? text : form);
        judge();
        other.setText(asFile ? "As a form" : "As its file");
    }

    /** A profile of what is selected, to be completed. */
    private void ofDevice() {
        Optional.ofNullable(document.selectionProperty().get())
                .filter(id -> document.plan().index().find(id).isPresent())
                .flatMap(
                        id -> id.as(Kind.HOST).or(() -> Boxes.of(document.plan().index(), id)))
                .ifPresentOrElse(
                        id -> text.setText(ProfileOfDevice.of(
                                document.plan(), document.plan().index().host(id))),
                        () -> document.tell("Select a device first."));
    }

    private void judge() {
        Profile profile = typed();
        if (middle.getChildren().contains(form)) {
            form.show(text.getText());
        }
        state.getStyleClass().removeAll("broken", "soft");
        state.getStyleClass().add(profile == null ? "broken" : "soft");
        if (profile != null) {
            state.setText(profile.summary().isEmpty() ? profile.name() + " is a good profile." : profile.summary());
        }
        keep.setDisable(profile == null);
        add.setDisable(profile == null);
    }

    private void keep() {
        Profile profile = typed();
        if (profile != null) {
            library.keep(
                    profile,
                    read -> {
                        fill(profile.id());
                        document.tell(profile.name() + " is kept in " + library.folder() + ".");
                    },
                    document::tell);
        }
    }

    private void addOne() {
        Profile profile = typed();
        if (profile != null) {
            library.use(read -> document.make(
                    () -> DeviceFactory.boxes(document.plan(), read, profile, 1, "", ""),
                    made -> document.select(made.hosts().get(0))));
        }
    }

    private void importFile() {
        File file = chooser().showOpenDialog(getScene().getWindow());
        if (file != null) {
            try {
                show(ProfileFile.open(file.toPath()));
            } catch (PlanFileException e) {
                document.tell(String.valueOf(e.getMessage()));
            }
        }
    }

    private void exportFile() {
        Profile profile = typed();
        if (profile == null) {
            return;
        }
        FileChooser chooser = chooser();
        chooser.setInitialFileName(zentrel.plan.Ids.of(profile.name(), "profile") + ".json");
        File file = chooser.showSaveDialog(getScene().getWindow());
        if (file != null) {
            try {
                ProfileFile.save(profile, file.toPath());
            } catch (PlanFileException e) {
                document.tell(String.valueOf(e.getMessage()));
            }
        }
    }

    private static FileChooser chooser() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A profile file");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Profiles", "*.json"));
        return chooser;
    }
}
