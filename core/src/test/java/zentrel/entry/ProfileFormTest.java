package zentrel.entry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.file.ProfileFile;
import zentrel.gear.Library;
import zentrel.profile.Profile;

/** A profile as a form. */
class ProfileFormTest {
    private static void fields(List<ProfileForm.Part> parts, List<ProfileForm.Field> into) {
        for (ProfileForm.Part part : parts) {
            if (part instanceof ProfileForm.Field field) {
                into.add(field);
            } else {
                fields(((ProfileForm.Group) part).parts(), into);
            }
        }
    }

    private static List<ProfileForm.Field> fields(ProfileForm form) {
        List<ProfileForm.Field> all = new ArrayList<>();
        fields(form.parts(), all);
        return all;
    }

    /** Every profile that ships is shown in full: all its fields entered anew make the same profile. */
    @Test
    void whatIsShownIsWhatTheProfileSays() throws Exception {
        for (Profile profile : Library.shipped().profiles()) {
            String json = new String(ProfileFile.write(profile), StandardCharsets.UTF_8);
            ProfileForm form = ProfileForm.of(json);
            for (ProfileForm.Field field : fields(form)) {
                form.set(field.pointer(), field.value());
            }
            assertThat(form.profile()).as(profile.id()).isEqualTo(profile);
        }
    }

    /** A node that is none of those that ship, entered field by field. */
    @Test
    void aNodeIsDescribedFromNothing() throws Exception {
        ProfileForm form = ProfileForm.empty();
        assertThat(form.problem()).isEmpty();
        form.set("/id", "own/node-6");
        form.set("/name", "6-port node");
        form.set("/kind", "node");
        form.set("/accepts", "2.0.0.0/8, 10.0.0.0/8");
        form.add("/adapters");
        form.set("/adapters/0/name", "Network");
        form.set("/adapters/0/factory", "2.9.8.7/8");
        form.set("/adapters/0/waits/dhcp", "30");
        form.add("/applications");
        form.set("/applications/0/name", "Firmware");
        form.set("/applications/0/kind", "node");
        form.set("/applications/0/takes", "artnet, sacn");
        form.set("/applications/0/screenFirst/artnet", "1");
        form.add("/applications/0/ports");
        form.set("/applications/0/ports/0/count", "6");
        form.add("/supplies");
        form.set("/supplies/0/name", "DC 12 V");
        form.add("/supplies");
        form.set("/supplies/1/name", "PoE");
        form.set("/supplies/1/poe", "yes");
        form.set("/clashes", "DC 12 V + PoE");
        form.add("/steps");
        form.set("/steps/0/of", "address");
        form.set("/steps/0/does", "Restart it");
        form.set("/steps/0/seconds", "20");
        form.set("/menus/address", "Setup · Network");
        assertThat(form.problem()).isEmpty();
        Profile made = form.profile();
        assertThat(made.portCount()).isEqualTo(6);
        assertThat(made.accepts()).hasSize(2);
        assertThat(made.supplies()).hasSize(2);
        form.remove("/supplies/1");
        assertThat(form.problem()).as("a clash with a supply that is gone").isPresent();
    }

    @Test
    void whatIsNoValueIsRefusedAndNothingIsLost() {
        ProfileForm form = ProfileForm.empty();
        String before = form.json();
        assertThatThrownBy(() -> form.set("/kind", "toaster"))
                .hasMessageStartingWith("Kind is one of console, computer");
        assertThatThrownBy(() -> form.set("/sockets", "many"))
                .hasMessage("Network sockets is a whole number from 0 to 1000, not \"many\".");
        assertThat(form.json()).isEqualTo(before);
        form.set("/accepts", "moon");
        assertThat(form.problem()).get().asString().contains("moon");
        assertThatThrownBy(() -> ProfileForm.of("{")).hasMessageContaining("no JSON");
    }
}
