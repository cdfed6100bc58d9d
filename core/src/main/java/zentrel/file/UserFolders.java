package zentrel.file;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * Where the program keeps what is the user's own. It writes nowhere else by itself.
 *
 * @param settings the folder of the file with the settings
 * @param data profiles of the user's own
 * @param state journals of unsaved work, and logs
 */
public record UserFolders(Path settings, Path data, Path state) {
    private static final String NAME = "zentrel";

    /** Everything in one folder. */
    public static UserFolders in(Path folder) {
        return new UserFolders(folder, folder, folder);
    }

    /** The folders of this user on this computer. */
    public static UserFolders here() {
        return of(
                System.getProperty("os.name", ""),
                Path.of(System.getProperty("user.home", ".")),
                System.getenv(),
                Optional.ofNullable(System.getProperty("zentrel.home")),
                Files::isDirectory);
    }

    /**
     * The folders for a user. ZENTREL_HOME puts everything into one; so does the folder {@code .zentrel} of an older version,
     * where it is there. Else Linux has the folders of the XDG Base Directory Specification 0.8, Windows those of
     * APPDATA and LOCALAPPDATA, macOS those in Library.
     *
     * @param system the name of the operating system, as Java says it
     * @param home the user's own folder
     * @param environment the variables of the environment
     * @param all where everything is wanted, whatever else is said
     * @param exists whether a folder is there
     */
    static UserFolders of(
            String system, Path home, Map<String, String> environment, Optional<String> all, Predicate<Path> exists) {
        String one = all.orElse(environment.getOrDefault("ZENTREL_HOME", ""));
        if (!one.isEmpty()) {
            return in(Path.of(one));
        }
        Path older = home.resolve("." + NAME);
        if (exists.test(older)) {
            return in(older);
        }
        if (system.startsWith("Windows")) {
            return new UserFolders(
                    named(environment, "APPDATA", home.resolve("AppData/Roaming")),
                    named(environment, "APPDATA", home.resolve("AppData/Roaming")),
                    named(environment, "LOCALAPPDATA", home.resolve("AppData/Local")));
        }
        if (system.startsWith("Mac")) {
            return in(home.resolve("Library/Application Support").resolve(NAME));
        }
        return new UserFolders(
                named(environment, "XDG_CONFIG_HOME", home.resolve(".config")),
                named(environment, "XDG_DATA_HOME", home.resolve(".local/share")),
                named(environment, "XDG_STATE_HOME", home.resolve(".local/state")));
    }

    /** The folder of the program in one that the environment names; a relative name counts as none (XDG 0.8). */
    private static Path named(Map<String, String> environment, String variable, Path otherwise) {
        String said = environment.getOrDefault(variable, "");
        Path folder = said.isEmpty() ? otherwise : Path.of(said);
        return (folder.isAbsolute() ? folder : otherwise).resolve(NAME);
    }

    /** The file with the settings. */
    public Path settingsFile() {
        return settings.resolve("settings.json");
    }

    /** Profiles of the user's own. */
    public Path profiles() {
        return data.resolve("profiles");
    }

    /** Journals of unsaved work. */
    public Path journals() {
        return state.resolve("journal");
    }

    /** What the program notes about its work. */
    public Path logs() {
        return state.resolve("logs");
    }
}
