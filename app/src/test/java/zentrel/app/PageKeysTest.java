package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Set;
import javafx.scene.input.KeyCombination;
import org.junit.jupiter.api.Test;

class PageKeysTest {
    @Test
    void aTenthAndEleventhPageHaveKeysOfTheirOwn() {
        Set<KeyCombination> all = new HashSet<>();
        for (int page = 0; page < 18; page++) {
            assertThat(all.add(PageKeys.of(page))).isTrue();
        }
        assertThat(PageKeys.of(0)).isEqualTo(KeyCombination.valueOf("Shortcut+1"));
        assertThat(PageKeys.of(8)).isEqualTo(KeyCombination.valueOf("Shortcut+9"));
        assertThat(PageKeys.of(9)).isEqualTo(KeyCombination.valueOf("Shortcut+Shift+1"));
        assertThat(PageKeys.of(10)).isEqualTo(KeyCombination.valueOf("Shortcut+Shift+2"));
    }
}
