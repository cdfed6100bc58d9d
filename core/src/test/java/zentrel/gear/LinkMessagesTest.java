package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.demo.FernlightTrail;
import zentrel.plan.ControlLink;
import zentrel.plan.Kind;
import zentrel.plan.LinkMessage;

/** Messages of a link go out as a table and as JSON and come back the same; what does not fit is named. */
class LinkMessagesTest {
    private static final ControlLink LINK = FernlightTrail.ready()
            .index()
            .get(Kind.LINK.id("dim-link"))
            .withMessages(List.of(
                    new LinkMessage("Terrace, low", List.of("3", "25 %")), new LinkMessage("", List.of("4", "0.5"))));

    @Test
    void bothFormsComeBackTheSame() {
        String table = LinkMessages.table(LINK).csv();
        assertThat(table).contains("label,channel,level,message", "\"Terrace, low\",3,25 %,/terrace/level 3 0.25");
        assertThat(LinkMessages.read(LINK, table)).isEqualTo(new LinkMessages(LINK.messages(), List.of()));
        assertThat(LinkMessages.read(LINK, LinkMessages.json(LINK)).messages()).isEqualTo(LINK.messages());
    }

    @Test
    void rowsThatDoNotFitAreNamedAndOthersTaken() {
        LinkMessages read = LinkMessages.read(LINK, "Level;Channel\n75 %;1\n1.5;2\n;3\n0;x\n1;4\n");
        assertThat(read.messages())
                .extracting(LinkMessage::values)
                .containsExactly(List.of("1", "75 %"), List.of("4", "1"));
        assertThat(read.leftOut())
                .extracting(l -> l.row() + " " + l.why())
                .containsExactly(
                        "3 level: \"1.5\" is not a number from 0 to 1.",
                        "4 level: \"\" is not a number from 0 to 1.",
                        "5 channel: \"x\" is not a whole number from -2147483648 to 2147483647.");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> LinkMessages.read(LINK, "Dimmer,Level\n1,1\n"))
                .withMessageContaining("no column \"channel\"");
        assertThatIllegalArgumentException().isThrownBy(() -> LinkMessages.read(LINK, "{\"messages\":7}"));
        assertThatIllegalArgumentException().isThrownBy(() -> LinkMessages.read(LINK, "{"));
    }
}
