package zentrel.app.shell;

import javafx.geometry.VPos;
import javafx.scene.control.SkinBase;
import javafx.scene.control.TextField;
import javafx.scene.text.Text;
import zentrel.app.look.Texts;

/**
 * What an empty text field looks like, and nothing more. The skin that takes text costs a twentieth of the time to the first
 * picture of the window; it comes right after that picture, or as soon as anybody turns to the field.
 */
final class PromptSkin extends SkinBase<TextField> {
    private final Text prompt;

    PromptSkin(TextField field) {
        super(field);
        prompt = Texts.drawn(field.getPromptText(), "soft");
        prompt.setTextOrigin(VPos.CENTER);
        getChildren().add(prompt);
    }

    @Override
    protected double computePrefHeight(double width, double top, double right, double bottom, double left) {
        return top + Math.ceil(prompt.getLayoutBounds().getHeight()) + bottom;
    }

    @Override
    public void dispose() {
        getChildren().remove(prompt); // a skin leaves its children to the next one otherwise
        super.dispose();
    }

    @Override
    protected void layoutChildren(double x, double y, double width, double height) {
        prompt.setLayoutX(x);
        prompt.setLayoutY(y + height / 2);
    }
}
