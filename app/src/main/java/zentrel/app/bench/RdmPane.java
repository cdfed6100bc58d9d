package zentrel.app.bench;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Named;
import zentrel.app.look.Texts;
import zentrel.found.FoundDevice;
import zentrel.found.PatchDifference;
import zentrel.live.RdmBrowser;
import zentrel.live.RdmDevice;
import zentrel.net.OutputGuard;
import zentrel.plan.Host;
import zentrel.text.Counted;

/** The fixtures with RDM behind a node, beside the patch: listed, set, made to show themselves. */
final class RdmPane extends VBox {
    private static final int MOST_LINES = 12;

    private final OpenDocument document;
    private final LiveSession session;
    private final Button list = Buttons.quiet("List its fixtures by RDM", "rdm-list", this::list);
    private final Label said = Texts.wrapped("", "soft", "small");
    private final VBox lines = new VBox(2);
    private final ComboBox<RdmDevice> which = new ComboBox<>();
    private final TextField slot = new TextField();
    private final Button set = Buttons.quiet("Set its start slot", "rdm-set", this::setStart);
    private final Button show = Buttons.quiet("Let it show itself", "rdm-identify", this::identify);
    private final FlowPane setting = new FlowPane(6, 4, which, slot, set, show);
    private final FoundDevice node;
    private final Optional<Host> host;

    RdmPane(OpenDocument document, LiveSession session, FoundDevice node, Optional<Host> host) {
        super(4);
        this.document = document;
        this.session = session;
        this.node = node;
        this.host = host;
        which.setAccessibleText("Fixture");
        which.setId("rdm-which");
        which.setPrefWidth(170);
        which.setConverter(Named.by(f -> f.model() + ", port " + f.port() + " slot " + f.start()));
        slot.setPrefColumnCount(3);
        slot.setId("rdm-slot");
        slot.setAccessibleText("Start slot");
        setting.setAlignment(Pos.CENTER_LEFT);
        setting.setVisible(false);
        setting.setManaged(false);
        boolean armed = session.state() == OutputGuard.State.ARMED;
        set.setDisable(!armed);
        show.setDisable(!armed);
        list.setDisable(session.state() == OutputGuard.State.LISTEN);
        getChildren().addAll(list, said, lines, setting);
    }

    private void list() {
        said.setText("Asking …");
        session.tasks().rdm(browser -> browser.list(node), this::listed, said::setText);
    }

    private void listed(List<RdmDevice> fixtures) {
        said.setText(fixtures.isEmpty() ? "No fixture answers." : Counted.of(fixtures.size(), "fixture") + " answer.");
        lines.getChildren().clear();
        fixtures.stream()
                .limit(MOST_LINES)
                .forEach(f -> lines.getChildren()
                        .add(Texts.mono(
                                "%d  %3d +%-3d %s".formatted(f.port(), f.start(), f.footprint(), f.model()), "small")));
        if (fixtures.size() > MOST_LINES) {
            lines.getChildren().add(Texts.of("and " + (fixtures.size() - MOST_LINES) + " more", "soft", "small"));
        }
        host
                .filter(h -> document.plan().index().find(h.id()).isPresent())
                .map(h -> PatchDifference.of(
                        document.plan(),
                        document.plan().index().host(h.id()),
                        fixtures.stream()
                                .filter(RdmDevice::isKnown)
                                .map(f ->
                                        new PatchDifference.FoundFixture(f.port(), f.start(), f.footprint(), f.model()))
                                .toList()))
                .orElse(List.of())
                .stream()
                .limit(MOST_LINES)
                .forEach(d -> lines.getChildren().add(Texts.wrapped(d.text(), "broken", "small")));
        which.getItems().setAll(fixtures);
        which.setValue(fixtures.stream().findFirst().orElse(null));
        setting.setVisible(!fixtures.isEmpty());
        setting.setManaged(!fixtures.isEmpty());
    }

    private void setStart() {
        RdmDevice fixture = which.getValue();
        int wanted;
        try {
            wanted = Integer.parseInt(slot.getText().strip());
        } catch (NumberFormatException e) {
            wanted = 0; // refused below with the range
        }
        if (fixture == null || wanted < 1 || wanted > 512) {
            document.tell("A start slot goes from 1 to 512.");
            return;
        }
        int at = wanted;
        act(browser -> browser.setStart(node, fixture, at), "Confirmed: slot " + at + ".", "It did not confirm it.");
    }

    private void identify() {
        RdmDevice fixture = which.getValue();
        if (fixture != null) {
            act(browser -> browser.identify(node, fixture, true), "It shows itself.", "It did not answer.");
        }
    }

    private void act(DeviceTasks.Asking<Boolean> work, String done, String failed) {
        said.setText("Setting …");
        session.tasks()
                .<Boolean>rdm(
                        (RdmBrowser browser) -> work.ask(browser),
                        ok -> said.setText(ok ? done : failed),
                        said::setText);
    }
}
