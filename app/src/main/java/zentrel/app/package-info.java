/**
 * The window. {@link zentrel.app.Launcher} starts it, {@link zentrel.app.MainWindow} puts it together. The open plan is
 * {@link zentrel.app.document.OpenDocument}, the one place that changes; each stage has a package of its own; {@code
 * shell} holds what is always there, {@code look} fonts, marks and colours.
 */
@NullMarked
package zentrel.app;

import org.jspecify.annotations.NullMarked;
