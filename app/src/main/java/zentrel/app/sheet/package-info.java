/**
 * Pictures on paper: {@link zentrel.app.sheet.Picture} takes down what is drawn, and {@link zentrel.app.sheet.SvgSheet} and
 * {@link zentrel.app.sheet.PdfSheet} put it on a page.
 */
@org.jspecify.annotations.NullMarked
package zentrel.app.sheet;
