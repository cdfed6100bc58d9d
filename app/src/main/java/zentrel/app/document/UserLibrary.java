package zentrel.app.document;

import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import zentrel.file.PlanFileException;
import zentrel.file.ProfileFile;
import zentrel.gear.Library;
import zentrel.plan.Ids;
import zentrel.profile.Profile;

/**
 * The profiles to choose from: the shipped ones and the user's own, which are files in a folder. Read in the background;
 * methods are for the JavaFX thread.
 */
public final class UserLibrary {
    private final Path folder;
    private @Nullable Library library;
    private boolean asked;

    /**
     * A library that is read when first asked for.
     *
     * @param folder where the user's own profiles are kept
     */
    public UserLibrary(Path folder) {
        this.folder = folder;
    }

    public Path folder() {
        return folder;
    }

    /** Hands over the library as soon as it is read; at once where it is. */
    public void use(Consumer<Library> then) {
        Library known = library;
        if (known != null) {
            then.accept(known);
            return;
        }
        asked = true;
        read(then);
    }

    /** The library where it is read already; asks for it otherwise. */
    public @Nullable Library now() {
        if (library == null && !asked) {
            use(read -> {});
        }
        return library;
    }

    private void read(Consumer<Library> then) {
        CompletableFuture<Void> unused = CompletableFuture.supplyAsync(
                        () -> Library.shipped().with(folder))
                .thenAccept(read -> Platform.runLater(() -> {
                    library = read;
                    then.accept(read);
                }));
    }

    /** Keeps a profile among the user's own, and hands over the library with it; a failure is told in a sentence. */
    public void keep(Profile profile, Consumer<Library> then, Consumer<String> failed) {
        CompletableFuture<Void> unused = CompletableFuture.runAsync(() -> {
            try {
                java.nio.file.Files.createDirectories(folder);
                ProfileFile.save(profile, folder.resolve(Ids.of(profile.id(), "profile") + ".json"));
                Platform.runLater(() -> read(then));
            } catch (PlanFileException e) {
                Platform.runLater(() -> failed.accept(String.valueOf(e.getMessage())));
            } catch (java.io.IOException e) {
                Platform.runLater(
                        () -> failed.accept("The folder " + folder + " cannot be made: " + e.getMessage() + "."));
            }
        });
    }
}
