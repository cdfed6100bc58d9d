package zentrel.app;

import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import zentrel.app.document.UserSettings;
import zentrel.file.Settings;

/** Where windows stood, so that they stand there again. */
final class WindowPlaces {
    private WindowPlaces() {}

    /** Puts a window where it stood, as far as a screen is there, and remembers where it is when it closes. */
    static void keep(Stage stage, String name, UserSettings settings) {
        Settings.Place place = settings.get().windows().get(name);
        if (place != null && isOnAScreen(place)) {
            stage.setX(place.x());
            stage.setY(place.y());
            stage.setWidth(place.width());
            stage.setHeight(place.height());
            stage.setMaximized(place.maximized());
        }
        stage.addEventHandler(
                WindowEvent.WINDOW_HIDING,
                e -> settings.change(s -> s.placed(
                        name,
                        new Settings.Place(
                                stage.getX(),
                                stage.getY(),
                                stage.getWidth(),
                                stage.getHeight(),
                                stage.isMaximized()))));
    }

    private static boolean isOnAScreen(Settings.Place place) {
        return !Screen.getScreensForRectangle(place.x(), place.y(), place.width(), place.height())
                .isEmpty();
    }
}
