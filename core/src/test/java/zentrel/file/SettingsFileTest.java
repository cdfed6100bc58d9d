package zentrel.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Settings come back as they were; nothing that is wrong in their file is lost or stops the program. */
class SettingsFileTest {
    private static final Settings CHOSEN = new Settings(
            true,
            Settings.TextSize.LARGEST,
            Settings.Levels.PERCENT,
            "eth2",
            Map.of("main", new Settings.Place(10, 20, 1300, 820, true)),
            List.of(Path.of("/shows/b.zentrel"), Path.of("/shows/a.zentrel")),
            true);

    @TempDir
    Path folder;

    private Path file() {
        return folder.resolve("sub").resolve("settings.json");
    }

    private SettingsFile.Read read() {
        return new SettingsFile(file()).read();
    }

    private void written(String text) throws Exception {
        Files.createDirectories(file().getParent());
        Files.writeString(file(), text);
    }

    @Test
    void theyComeBackAsTheyWere() throws Exception {
        assertThat(read()).isEqualTo(new SettingsFile.Read(Settings.USUAL, List.of()));
        new SettingsFile(file()).write(CHOSEN);
        assertThat(read()).isEqualTo(new SettingsFile.Read(CHOSEN, List.of()));
    }

    /** A newer version may keep more in the file than this one knows. */
    @Test
    void whatThisVersionDoesNotKnowStays() throws Exception {
        written("{\"day\": true, \"later\": {\"a\": [1, 2]}}");
        SettingsFile file = new SettingsFile(file());
        Settings settings = file.read().settings();
        file.write(settings.withDay(false));
        assertThat(Files.readString(file())).contains("\"later\"", "\"day\": false");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{", "[1, 2]", "nonsense", "{\"day\": tru"})
    void aDamagedFileIsSetAside(String text) throws Exception {
        for (String aside : List.of("settings.json.damaged", "settings.json.damaged-2")) {
            written(text);
            SettingsFile.Read read = read();
            assertThat(read.settings()).isEqualTo(Settings.USUAL);
            assertThat(read.problems()).singleElement().asString().contains("damaged", aside);
            assertThat(file()).doesNotExist();
            assertThat(file().resolveSibling(aside)).hasContent(text);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "day|7|true or false",
                "text|\"huge\"|usual, larger, largest",
                "levels|3|0-255, percent",
                "windows|{\"main\": {\"x\": \"left\"}}|x, y, width and height"
            })
    void aWrongValueIsSaidAndTheRestHolds(String name, String value, String wanted) throws Exception {
        written("{\"" + name + "\": " + value + ", \"adapter\": \"eth9\"}");
        SettingsFile.Read read = read();
        assertThat(read.settings()).isEqualTo(Settings.USUAL.withAdapter("eth9"));
        assertThat(read.problems()).singleElement().asString().contains(name, wanted, file().toString());
    }

    /** The list that older versions kept beside. */
    @Test
    void recentPlansOfAnOlderVersionAreTakenOver() throws Exception {
        Files.createDirectories(file().getParent());
        Files.writeString(file().resolveSibling("recent.txt"), "/shows/b.zentrel\n\n/shows/a.zentrel\n");
        assertThat(read().settings().recent()).isEqualTo(CHOSEN.recent());
    }

    @Test
    void theNewestPlanIsFirstAndTenAreKept() {
        Settings settings = Settings.USUAL;
        for (int i = 0; i < 12; i++) {
            settings = settings.opened(Path.of("/p" + i));
        }
        settings = settings.opened(Path.of("/q/../p5"));
        assertThat(settings.recent())
                .hasSize(10)
                .startsWith(Path.of("/p5"), Path.of("/p11"))
                .doesNotHaveDuplicates();
    }

    /** As in a home folder that may not be written; whoever is root may write everywhere, so a file stands in the way. */
    @Test
    void whereTheyCannotBeKeptASentenceSaysWhy() throws Exception {
        Files.writeString(folder.resolve("sub"), "in the way");
        assertThatThrownBy(() -> new SettingsFile(file()).write(CHOSEN))
                .isInstanceOf(PlanFileException.class)
                .hasMessageContaining("not kept")
                .hasMessageContaining(file().toString());
    }

    /** ANSI E1.11: a slot holds 0 to 255. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "BYTE, 0, 0, 0",
                "BYTE, 255, 255, 255",
                "BYTE, 50 %, 128, 128",
                "BYTE, 256, -, -",
                "BYTE, 12.5, -, -",
                "BYTE, -1, -, -",
                "BYTE, full, -, -",
                "PERCENT, 50, 128, 50 %",
                "PERCENT, 100, 255, 100 %",
                "PERCENT, 33.3%, 85, 33 %",
                "PERCENT, 101, -, -",
                "PERCENT, 0, 0, 0 %",
                "PERCENT, '', -, -",
            })
    void levelsAreReadAndSaidInTheirUnit(Settings.Levels unit, String typed, Integer level, String said) {
        assertThat(unit.parse(typed)).isEqualTo(Optional.ofNullable(level));
        if (level != null) {
            assertThat(unit.words(level)).isEqualTo(said);
        }
    }

    /** Whatever percentage is shown is the one that was typed. */
    @Test
    void aWholePercentageComesBack() {
        for (int percent = 0; percent <= 100; percent++) {
            int level = Settings.Levels.PERCENT.parse(percent + "").orElseThrow();
            assertThat(Settings.Levels.PERCENT.words(level)).isEqualTo(percent + " %");
        }
    }

    /** XDG Base Directory Specification 0.8: the variables, their defaults, and that relative names count as none. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "Linux, -, -, /h/.config/zentrel, /h/.local/share/zentrel, /h/.local/state/zentrel",
                "Linux, XDG_CONFIG_HOME, /c, /c/zentrel, /h/.local/share/zentrel, /h/.local/state/zentrel",
                "Linux, XDG_STATE_HOME, /s, /h/.config/zentrel, /h/.local/share/zentrel, /s/zentrel",
                "Linux, XDG_DATA_HOME, shows, /h/.config/zentrel, /h/.local/share/zentrel, /h/.local/state/zentrel",
                "Linux, ZENTREL_HOME, /z, /z, /z, /z",
                "Windows 11, APPDATA, /roaming, /roaming/zentrel, /roaming/zentrel, /h/AppData/Local/zentrel",
                "Mac OS X, -, -, /h/Library/Application Support/zentrel, /h/Library/Application Support/zentrel,"
                        + " /h/Library/Application Support/zentrel",
            })
    void theFoldersAreThoseOfTheSystem(
            String system, String variable, String value, String settings, String data, String state) {
        Map<String, String> environment = variable == null ? Map.of() : Map.of(variable, value);
        assertThat(UserFolders.of(system, Path.of("/h"), environment, Optional.empty(), p -> false))
                .isEqualTo(new UserFolders(Path.of(settings), Path.of(data), Path.of(state)));
    }

    @Test
    void theFolderOfAnOlderVersionGoesOn() {
        assertThat(UserFolders.of("Linux", Path.of("/h"), Map.of(), Optional.empty(), Path.of("/h/.zentrel")::equals))
                .isEqualTo(UserFolders.in(Path.of("/h/.zentrel")));
    }
}
