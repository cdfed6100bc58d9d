package zentrel.app.lit;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.FlowPane;
import javafx.stage.FileChooser;
import javax.imageio.ImageIO;
import zentrel.app.document.OpenDocument;
import zentrel.app.lit.LitPainter.Manner;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.file.PlainFile;
import zentrel.gear.GearEdit;
import zentrel.gear.PlaceEdits;
import zentrel.gear.PlanRemoval;
import zentrel.lit.Lamp;
import zentrel.lit.LitGroups;
import zentrel.lit.LitPlan;
import zentrel.path.SignalPaths;
import zentrel.plan.BodyForm;
import zentrel.plan.Fixture;
import zentrel.plan.GroundPicture;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Line;
import zentrel.plan.Plan;

/** Below the picture: how it is drawn, what is added to the place, and questions to it. */
final class LitTools {
    private static final double FIRST_LIGHT = 0.3;
    private static final double LIGHT_STEP = 0.25;

    private final LitPage page;
    private final LitCanvas canvas;
    private final LitActs acts;
    private final OpenDocument document;
    private final Slider light = new Slider(0, 1, FIRST_LIGHT);
    private final ToggleButton haze = toggle("Haze", "lit-haze");
    private final ToggleButton lines = toggle("Lines", "lit-lines");
    private final ToggleButton hit = toggle("Surroundings", "lit-surroundings");
    private final MenuButton add = new MenuButton("Add");
    private final MenuButton more = new MenuButton("More");

    LitTools(LitPage page, LitCanvas canvas, LitActs acts, OpenDocument document, TurnBar turns) {
        this.page = page;
        this.canvas = canvas;
        this.acts = acts;
        this.document = document;
        light.setId("lit-house-light");
        light.setAccessibleText("House light");
        light.setPrefWidth(70);
        light.setBlockIncrement(LIGHT_STEP);
        light.valueProperty().addListener(o -> manner());
        haze.setSelected(true);
        haze.selectedProperty().addListener(o -> manner());
        lines.selectedProperty().addListener(o -> manner());
        hit.selectedProperty().addListener(o -> canvas.hitSurroundings(hit.isSelected()));
        add.setId("lit-add");
        add.getStyleClass().add("quiet");
        Arrays.stream(BodyForm.values())
                .forEach(form -> add.getItems()
                        .add(Buttons.item(
                                form.word().substring(0, 1).toUpperCase(Locale.ROOT)
                                        + form.word().substring(1),
                                "lit-add-" + form.word(),
                                () -> {
                                    hit.setSelected(true);
                                    acts.build(form);
                                })));
        add.getItems().add(Buttons.item("Picture on the ground …", "lit-add-picture", this::choosePicture));
        add.getItems().add(Buttons.item("This view", "lit-add-view", acts::keepView));
        more.setId("lit-more");
        more.getStyleClass().add("quiet");
        more.getItems()
                .addAll(
                        Buttons.item("Known length of the picture …", "lit-length", this::length),
                        Buttons.item("What goes dark without what is selected", "lit-without", this::withoutSelected),
                        lightInTurn(turns),
                        Buttons.item("Picture of the place …", "lit-png", this::writePicture));
    }

    private static Menu lightInTurn(TurnBar turns) {
        Menu menu = new Menu("Light in turn");
        menu.setId("lit-turn");
        Arrays.stream(LitGroups.By.values())
                .forEach(by -> menu.getItems()
                        .add(Buttons.item(
                                "One " + by.word() + " after the other",
                                "lit-turn-" + by.word(),
                                () -> turns.begin(by))));
        return menu;
    }

    private static ToggleButton toggle(String title, String id) {
        ToggleButton button = new ToggleButton(title);
        button.setId(id);
        button.getStyleClass().add("view-choice");
        return button;
    }

    Node row() {
        Label house = Texts.of("House light", "soft", "small");
        FlowPane row = new FlowPane(
                8,
                2,
                house,
                light,
                haze,
                lines,
                hit,
                add,
                Buttons.quiet("Hang …", "lit-hang", () -> put(false)),
                Buttons.quiet("Stand …", "lit-stand", () -> put(true)),
                Buttons.quiet("Point …", "lit-point", this::point),
                more);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setMinWidth(0);
        return row;
    }

    private void manner() {
        canvas.manner(new Manner(light.getValue(), haze.isSelected(), lines.isSelected()));
    }

    void toggleLines() {
        lines.setSelected(!lines.isSelected());
    }

    void nextHouseLight() {
        double next = light.getValue() + LIGHT_STEP;
        light.setValue(next > 1 ? 0 : next);
    }

    private void put(boolean standing) {
        page.ask(
                "Click where the first is to " + (standing ? "stand" : "hang") + "; the rest go beside it.",
                at -> acts.put(at, standing));
    }

    private void point() {
        page.ask("Click what the chosen fixtures are to point at.", acts::point);
    }

    private void length() {
        List<GroundPicture> pictures = page.sight().plan().groundPictures().stream()
                .filter(g -> g.picture().isThere())
                .toList();
        Id<?> selected = document.selectionProperty().get();
        Optional<GroundPicture> meant = pictures.stream()
                .filter(g -> g.id().equals(selected))
                .findFirst()
                .or(() -> pictures.stream().reduce((a, b) -> b));
        meant.ifPresentOrElse(
                page::measure, () -> document.tell("No picture lies on the ground yet; Add puts one there."));
    }

    // --- files ---

    void choosePicture() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("A plan or a picture from above");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Pictures", "*.png", "*.jpg", "*.jpeg", "*.gif", "*.bmp"));
        File file = chooser.showOpenDialog(add.getScene().getWindow());
        if (file != null) {
            lay(file.toPath());
        }
    }

    /** Lays a picture where somebody looks, or in the place of one that is chosen. */
    void lay(Path file) {
        Id<?> selected = document.selectionProperty().get();
        document.work(
                () -> PictureReader.read(file),
                picture -> document.make(
                        () -> {
                            Plan plan = document.plan();
                            Optional<GroundPicture> instead = Optional.ofNullable(selected)
                                    .flatMap(s -> s.as(Kind.GROUND_PICTURE))
                                    .flatMap(plan.index()::find);
                            String name = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
                            return new GearEdit(
                                    instead.map(g -> PlaceEdits.picture(g, picture))
                                            .orElseGet(() -> PlaceEdits.picture(
                                                    plan, name, canvas.middle().position(), picture)),
                                    List.of());
                        },
                        made -> document.tell(
                                "More … Known length says how large it is: two clicks and the metres between.")));
    }

    void writePicture() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Write a picture of the place");
        chooser.setInitialFileName("place.png");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("PNG", "*.png"));
        File file = chooser.showSaveDialog(add.getScene().getWindow());
        if (file != null) {
            write(file.toPath());
        }
    }

    void write(Path file) {
        WritableImage shot = canvas.snapshot(null, null);
        int width = (int) shot.getWidth();
        int height = (int) shot.getHeight();
        PixelReader pixels = shot.getPixelReader();
        document.work(
                () -> {
                    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
                    for (int y = 0; y < height; y++) {
                        for (int x = 0; x < width; x++) {
                            image.setRGB(x, y, pixels.getArgb(x, y));
                        }
                    }
                    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                    ImageIO.write(image, "png", bytes);
                    PlainFile.write(bytes.toByteArray(), file);
                    return "Written: " + file.getFileName() + ".";
                },
                document::tell);
    }

    // --- questions ---

    /** Colours what goes dark if the selected device stops. */
    void withoutSelected() {
        Plan plan = page.sight().plan();
        Id<?> selected = document.selectionProperty().get();
        Optional<Host> host = selected == null ? Optional.empty() : hostOf(plan, selected);
        if (host.isEmpty()) {
            document.tell("Select a device first, on the Gear or Flow page or by Go to; then ask what goes dark.");
            return;
        }
        LitSight now = page.sight();
        document.work(() -> without(now, host.get()), lost -> {
            canvas.colour(lost);
            document.tell(
                    lost.isEmpty()
                            ? "Nothing goes dark if " + host.get().name() + " stops."
                            : lost.size() + (lost.size() == 1 ? " fixture goes" : " fixtures go") + " dark if "
                                    + host.get().name() + " stops; each has a ring. Escape takes the rings away.");
        });
    }

    private static Optional<Host> hostOf(Plan plan, Id<?> id) {
        Optional<Host> host = id.as(Kind.HOST).flatMap(plan.index()::find);
        return host.or(() -> id.as(Kind.APPLICATION).map(plan.index()::hostOf))
                .or(() -> id.as(Kind.PORT)
                        .map(p -> plan.index()
                                .hostOf(plan.index().applicationOf(p).id())))
                .or(() -> id.as(Kind.RECEIVER)
                        .map(r -> plan.index().hostOf(plan.index().get(r).application())));
    }

    private static List<Optional<Id<Line>>> lines(Fixture fixture) {
        return fixture.breaks().stream().map(fixture::lineOf).toList();
    }

    /** The fixtures that are reached now and would not be without a device. */
    static Set<Id<?>> without(LitSight now, Host host) {
        Plan without = PlanRemoval.of(now.plan(), List.of(host.id())).edit().applyTo(now.plan());
        LitPlan after = LitPlan.of(new SignalPaths(without));
        Map<Id<Fixture>, Lamp> left = new HashMap<>();
        after.lamps().forEach(l -> left.put(l.fixture().id(), l));
        Set<Id<?>> lost = new HashSet<>();
        for (Lamp lamp : now.lit().lamps()) {
            Lamp then = left.get(lamp.fixture().id());
            boolean reached = then != null
                    && then.dark().isEmpty()
                    && lines(then.fixture()).equals(lines(lamp.fixture())); // the line that fed it goes with its device
            if (lamp.dark().isEmpty() && !reached) {
                lost.add(lamp.fixture().id());
            }
        }
        return lost;
    }
}
