package zentrel.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Host;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Setting;

/** A computer as it is, beside the one of the plan: the desk box with Light at 10.77.1.1/16 and Talk at 172.19.4.10/22. */
class SeenComputerTest {
    private static SeenAdapter seen(String name, String address, boolean up) {
        return new SeenAdapter(
                name,
                Optional.empty(),
                address.isEmpty() ? List.of() : List.of(HostAddress.parse(address)),
                up,
                false,
                Optional.of(false));
    }

    @ParameterizedTest(name = "{0} {1} {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "Light | 10.77.1.1/16    | true  | ",
                "eth7  | 10.77.1.1/16    | true  | ",
                "eth7  | 10.77.9.9/16    | true  | eth7 (Light in the plan) has 10.77.9.9/16 here, and 10.77.1.1/16 in the plan.",
                "Light | 10.77.1.1/8     | true  | Light has the mask 255.0.0.0 here, and 255.255.0.0 in the plan.",
                "Light | 10.77.1.1/16    | false | Light is down here: no cable, or switched off.",
                "light | 169.254.8.8/16  | true  | light has 169.254.8.8/16 here, and 10.77.1.1/16 in the plan.",
                "Light | ''              | true  | Light has no address here, and 10.77.1.1/16 in the plan.",
                "eth7  | 192.168.83.5/24  | true  | The plan has Light (10.77.1.1/16); this computer has no adapter like it.+This computer also has eth7 with 192.168.83.5/24, which the plan does not know; a program that leaves the adapter to the system may take it."
            })
    void whatDiffersIsToldInWords(String name, String address, boolean up, String sentences) {
        Host desk = TestPlans.pier().index().host(Kind.HOST.id("desk-box"));
        SeenComputer compared =
                SeenComputer.of(desk, List.of(seen(name, address, up), seen("Talk", "172.19.4.10/22", true)));
        assertThat(String.join("+", compared.differences())).isEqualTo(sentences == null ? "" : sentences);
    }

    /** What it has is in force, what was planned stays planned, and what the plan did not know is added. */
    @org.junit.jupiter.api.Test
    void aComputerIsTakenIntoThePlanAsItIs() {
        Plan pier = TestPlans.pier();
        Host desk = pier.index().host(Kind.HOST.id("desk-box"));
        List<SeenAdapter> real = List.of(
                seen("eth7", "10.77.9.9/16", true),
                seen("Talk", "172.19.4.10/22", false),
                seen("wlan0", "10.90.0.4/24", true));
        Plan after = UsingComputer.as(pier, desk, real).applyTo(pier);
        Host taken = after.index().host(desk.id());
        assertThat(taken.adapters()).extracting(a -> a.name()).containsExactly("eth7", "Talk", "wlan0");
        assertThat(taken.adapters().get(0).addresses().get(0).address())
                .isEqualTo(new Setting<>(HostAddress.parse("10.77.1.1/16"), HostAddress.parse("10.77.9.9/16")));
        assertThat(taken.adapters().get(1).isUp()).isFalse();
        assertThat(SeenComputer.of(taken, real).differences()).isEmpty();
        Plan anew = UsingComputer.asNew(Plan.EMPTY, "My laptop", zentrel.profile.OperatingSystem.LINUX, real)
                .edit()
                .applyTo(Plan.EMPTY);
        assertThat(SeenComputer.of(anew.hosts().get(0), real).differences()).isEmpty();
    }
}
