package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.skin.VirtualFlow;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.file.LoadedPlan;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;

/** The real window: words for addresses, a refusal that keeps what was typed, boxes out of the box, who answers, exports. */
class AddressPagesWindowTest extends OpenWindow {
    private static final Id<Adapter> JETTY = Kind.ADAPTER.id("jetty-node.network");

    private void shown(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT3);
        settled(() -> there(robot, "#address-list"));
    }

    private AdapterAddress first(Id<Adapter> id) {
        return document.plan().index().adapter(id).addresses().get(0);
    }

    /** Opens the field of an adapter's address by keyboard. */
    private void open(FxRobot robot, Id<Adapter> id) {
        fx(() -> {
            document.select(id);
            return true;
        });
        ListView<?> list = robot.lookup("#address-list").queryListView();
        settled(() -> list.getSelectionModel().getSelectedItem() != null
                && list.getSelectionModel().getSelectedItem().toString().contains(id.value()));
        fx(() -> {
            list.requestFocus();
            return true;
        });
        robot.push(KeyCode.F2);
        settled(() -> there(robot, "#address-field"));
    }

    @Test
    void aWordStandsForAnAddressThatNobodyTypes(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        open(robot, JETTY);
        type(robot, "#address-field", "dhcp");
        robot.push(KeyCode.ENTER);
        settled(() -> first(JETTY).origin() == AddressOrigin.DHCP);
        plan();
        open(robot, JETTY);
        type(robot, "#address-field", "factory");
        robot.push(KeyCode.ENTER);
        settled(() -> first(JETTY).inForce().equals(HostAddress.parse("2.83.10.4/8")));
        plan();
        open(robot, JETTY);
        type(robot, "#address-field", "+ 10.41.22.44/16");
        robot.push(KeyCode.ENTER);
        settled(() -> document.plan().index().adapter(JETTY).addresses().size() == 2);
        for (int i = 0; i < 3; i++) {
            robot.push(KeyCode.CONTROL, KeyCode.Z);
        }
        settled(() -> document.plan().equals(ready));
    }

    /** A slip of the finger is said, and what was typed is still there to be mended; Esc leaves all as it was. */
    @Test
    void whatIsRefusedStaysInItsField(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        for (String slip : List.of("10.41.300.1", "10.41.22", "moon", "10.41.22.4/40", "")) {
            open(robot, JETTY);
            type(robot, "#address-field", slip);
            robot.push(KeyCode.ENTER);
            settled(() -> document.noticeProperty().get() != null);
            assertThat(there(robot, "#address-field")).as(slip).isTrue();
            assertThat(robot.lookup("#address-field")
                            .queryAs(TextInputControl.class)
                            .getText())
                    .isEqualTo(slip);
            assertThat(fx(document::plan)).isEqualTo(ready);
            robot.push(KeyCode.ESCAPE);
            settled(() -> !there(robot, "#address-field"));
            fx(() -> {
                document.noticeProperty().set(null);
                return true;
            });
        }
    }

    /** Choosing a row that is seen does not move the list away from under the pointer; one that is out of sight is shown. */
    @Test
    void aListStaysStillUnderThePointer(FxRobot robot) {
        shown(robot);
        ListView<?> list = robot.lookup("#address-list").queryListView();
        int top = fx(() -> flow(list).getFirstVisibleCell().getIndex());
        fx(() -> {
            list.getSelectionModel().clearAndSelect(top + 2);
            return true;
        });
        settled(() -> document.selectionProperty().get() != null);
        plan();
        assertThat(fx(() -> flow(list).getFirstVisibleCell().getIndex())).isEqualTo(top);
        fx(() -> {
            document.select(Kind.ADAPTER.id("visitor-router.visitors"));
            return true;
        });
        settled(() ->
                flow(list).getLastVisibleCell().getIndex() >= list.getItems().size() - 2);
    }

    private static VirtualFlow<?> flow(ListView<?> list) {
        return (VirtualFlow<?>) list.lookup(".virtual-flow");
    }

    @Test
    void identicalBoxesAreSetUpOneAtATime(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        Fx.menu(robot, "#address-more", "address-box");
        settled(() -> there(robot, "#box-fresh-0"));
        fire(robot, "#box-fresh-0");
        settled(() -> there(robot, "#box-done-0"));
        long nodes = fx(() -> document.plan().hosts().stream()
                .flatMap(h -> h.adapters().stream())
                .filter(a -> a.addresses().stream().anyMatch(x -> x.origin() == AddressOrigin.FACTORY))
                .count());
        assertThat(nodes).isEqualTo(9);
        for (long left = nodes; left > 0; left--) {
            long now = left;
            settled(() -> there(robot, "#box-done-0") && label(robot, "9 devices, " + now + " to do"));
            fire(robot, "#box-done-0");
        }
        settled(() -> label(robot, "9 devices, all set"));
        settled(() -> document.plan().equals(ready));
        robot.push(KeyCode.ESCAPE);
        settled(() -> there(robot, "#address-list"));
    }

    private static boolean label(FxRobot robot, String text) {
        return robot.lookup((Node n) -> n instanceof Label l && text.equals(l.getText()))
                .tryQuery()
                .isPresent();
    }

    /** Every address on loopback, where this test may ask: all answer or are silent, and the page says how many. */
    @Test
    void devicesAreAskedWhetherTheyAnswer(FxRobot robot) {
        shown(robot);
        Plan moved = fx(document::plan);
        int number = 1;
        for (Host host : moved.hosts()) {
            for (Adapter adapter : host.adapters()) {
                HostAddress here = HostAddress.parse("127.41.7." + number++ + "/8");
                moved = moved.with(
                        adapter.id(),
                        a -> a.withAddresses(List.of(new AdapterAddress(Setting.of(here), AddressOrigin.MANUAL))));
            }
        }
        Plan loopback = moved.with(
                Kind.RECEIVER,
                moved.receivers().stream()
                        .map(r -> new Receiver(
                                r.id(),
                                r.name(),
                                r.application(),
                                r.protocols(),
                                r.inputOn(),
                                false,
                                r.merge(),
                                r.ports()))
                        .toList());
        int asked = number - 1;
        fx(() -> {
            document.show(LoadedPlan.of(loopback));
            return true;
        });
        plan();
        Fx.menu(robot, "#address-more", "address-ask");
        settled(() -> there(robot, "#ask-start"));
        assertThat(robot.lookup("#ask-list").queryListView().getItems()).hasSize(asked);
        fire(robot, "#ask-start");
        settled(() -> !robot.lookup("#ask-start").query().isDisabled()
                && robot.lookup("#ask-summary").queryLabeled().getText().endsWith("silent."));
        String summary = text(robot, "#ask-summary");
        String[] words = summary.split("\\D+", -1);
        int told = 0;
        for (String word : words) {
            told += word.isEmpty() ? 0 : Integer.parseInt(word);
        }
        assertThat(told).as(summary).isEqualTo(asked);
        robot.push(KeyCode.ESCAPE);
        settled(() -> there(robot, "#address-list"));
    }

    @Test
    void everyFormIsSeenBeforeItIsWritten(FxRobot robot) {
        shown(robot);
        Fx.menu(robot, "#address-more", "address-export");
        settled(() -> there(robot, "#export-form"));
        ComboBox<?> forms = robot.lookup("#export-form").queryComboBox();
        List<String> begin = List.of("Host,Place,Adapter", "Host,Place,Adapter", "#", "{", "#");
        assertThat(forms.getItems()).hasSameSizeAs(begin);
        for (int i = 0; i < begin.size(); i++) {
            int at = i;
            fx(() -> {
                robot.lookup("#export-text").queryAs(TextInputControl.class).clear();
                forms.getSelectionModel().select(at);
                forms.fireEvent(new javafx.event.ActionEvent());
                return true;
            });
            settled(() -> robot.lookup("#export-text")
                    .queryAs(TextInputControl.class)
                    .getText()
                    .startsWith(begin.get(at)));
        }
        fire(robot, "#export-copy");
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> javafx.scene.input.Clipboard.getSystemClipboard().getString()))
                .contains("10.41.1.1");
    }

    /** Facts of one's own in the fields of a scheme, on all segments; a field that will not do is said, and mended in place. */
    @Test
    void aSchemeOfOnesOwnIsTriedAndMended(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        fire(robot, "#address-give");
        settled(() -> there(robot, "#give-scheme"));
        fx(() -> {
            robot.lookup("#give-scheme").queryComboBox().getSelectionModel().select(1);
            robot.lookup("#give-scheme").queryComboBox().fireEvent(new javafx.event.ActionEvent());
            robot.lookup("#give-anew")
                    .queryAs(javafx.scene.control.CheckBox.class)
                    .fire();
            return true;
        });
        type(robot, "#give-fields", "side 2, number 8");
        fire(robot, "#give-show");
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get()).text()).contains("\"side\" is a fact of your own");
        type(robot, "#give-fields", "side 2 = house / hut, kind 4, number 8");
        fire(robot, "#give-show");
        settled(() -> !robot.lookup("#give-set").query().isDisabled());
        assertThat(fx(() -> Optional.ofNullable(document.noticeProperty().get())))
                .as("the refusal is gone with its reason")
                .isEmpty();
        fire(robot, "#give-set");
        settled(() -> !document.plan().equals(ready));
        plan();
        assertThat(fx(() -> first(Kind.ADAPTER.id("glasshouse-node.network"))
                                .inForce()
                                .address()
                                .octet(2)
                        >> 4))
                .as("the first two of fourteen bits say the side")
                .isEqualTo(1);
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
    }

    /** The computer that this runs on comes into the plan by one press, with the adapters that it has. */
    @Test
    void thisComputerIsTakenIntoThePlan(FxRobot robot) {
        int before = plan().hosts().size();
        fx(() -> {
            window.show(zentrel.app.addresses.AddressesPage.class).here();
            return true;
        });
        settled(() -> there(robot, "#here-take"));
        settled(() -> "a new computer"
                .equals(robot.lookup("#here-host")
                        .queryAs(javafx.scene.control.ComboBox.class)
                        .getValue()));
        fire(robot, "#here-take");
        settled(() -> document.plan().hosts().size() == before + 1);
        settled(() -> "This computer"
                .equals(robot.lookup("#here-host")
                        .queryAs(javafx.scene.control.ComboBox.class)
                        .getValue()));
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().hosts().size() == before);
    }
}
