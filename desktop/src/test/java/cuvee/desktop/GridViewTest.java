package cuvee.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import cuvee.model.GridModel;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import javafx.scene.AccessibleAttribute;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** The grid at eight million rows: only what is seen is asked for. */
class GridViewTest {
    private static final long ROWS = 8_000_000;
    private final FxRobot robot = new FxRobot();
    private final AtomicLong asked = new AtomicLong();
    private GridView grid;

    private final class Millions implements GridModel {
        @Override
        public long rows() {
            return ROWS;
        }

        @Override
        public int columns() {
            return 30;
        }

        @Override
        public String title(int column) {
            return "Column " + column;
        }

        @Override
        public String subtitle(int column) {
            return "";
        }

        @Override
        public double width(int column) {
            return 100;
        }

        @Override
        public boolean numeric(int column) {
            return column > 2;
        }

        @Override
        public String text(long row, int column) {
            asked.incrementAndGet();
            return row + "/" + column;
        }
    }

    @BeforeEach
    void show() throws TimeoutException {
        FxToolkit.registerPrimaryStage();
        FxToolkit.setupScene(() -> {
            grid = new GridView("g");
            grid.setModel(new Millions());
            return new Scene(grid, 900, 600);
        });
        FxToolkit.setupStage(stage -> {
            stage.setX(0);
            stage.setY(0);
            stage.setWidth(900);
            stage.setHeight(600);
        });
        FxToolkit.showStage();
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> grid.requestFocus());
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void theEndOfEightMillionRowsIsOneKeyAway() {
        robot.push(KeyCode.CONTROL, KeyCode.DOWN);
        assertThat(grid.selectedRow()).isEqualTo(ROWS - 1);
        assertThat(grid.firstVisibleRow()).isBetween(ROWS - 25, ROWS - 15);
        robot.push(KeyCode.PAGE_UP);
        assertThat(grid.selectedRow()).isLessThan(ROWS - 15);
        robot.push(KeyCode.CONTROL, KeyCode.HOME);
        assertThat(grid.selectedRow()).isZero();
        assertThat(grid.firstVisibleRow()).isZero();
    }

    @Test
    void onlyWhatIsSeenIsAskedFor() {
        asked.set(0);
        robot.push(KeyCode.CONTROL, KeyCode.DOWN);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(asked.get()).isLessThan(5000);
    }

    @Test
    void columnsToTheRightComeIntoView() {
        robot.push(KeyCode.END);
        assertThat(grid.selectedColumn()).isEqualTo(29);
        robot.push(KeyCode.CONTROL, KeyCode.LEFT);
        assertThat(grid.selectedColumn()).isZero();
    }

    @Test
    void aReaderOfScreensHearsTheCell() throws Exception {
        robot.push(KeyCode.DOWN).push(KeyCode.RIGHT);
        assertThat(WaitForAsyncUtils.asyncFx(() -> grid.queryAccessibleAttribute(AccessibleAttribute.TEXT))
                        .get())
                .isEqualTo("Column 1, row 2: 1/1");
    }

    @Test
    void textThatDoesNotFitSaysThatItGoesOn() throws Exception {
        String fitting = WaitForAsyncUtils.asyncFx(
                        () -> Fonts.fitting("a rather long text", javafx.scene.text.Font.font(13), 60))
                .get();
        assertThat(fitting).endsWith("…").hasSizeLessThan(14);
    }

    @Test
    void aClickSelectsTheCellUnderIt() {
        robot.clickOn(robot.offset(grid, -300, -200));
        long row = grid.selectedRow();
        int column = grid.selectedColumn();
        assertThat(row).isBetween(0L, 10L);
        robot.clickOn(robot.offset(grid, -300, -200 + 2 * GridGeometry.ROW));
        assertThat(grid.selectedRow()).isEqualTo(row + 2);
        assertThat(grid.selectedColumn()).isEqualTo(column);
    }

    @Test
    void theWheelMovesWithoutSelecting() {
        robot.moveTo(grid);
        robot.scroll(5, javafx.geometry.VerticalDirection.DOWN);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(grid.firstVisibleRow()).isPositive();
        assertThat(grid.selectedRow()).isZero();
        robot.scroll(50, javafx.geometry.VerticalDirection.UP);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(grid.firstVisibleRow()).isZero();
    }

    @Test
    void aRangeIsCopiedWithItsTitles() throws Exception {
        robot.push(KeyCode.SHIFT, KeyCode.DOWN)
                .push(KeyCode.SHIFT, KeyCode.RIGHT)
                .push(KeyCode.CONTROL, KeyCode.C);
        String copied = WaitForAsyncUtils.asyncFx(
                        () -> javafx.scene.input.Clipboard.getSystemClipboard().getString())
                .get();
        assertThat(copied).isEqualTo("Column 0\tColumn 1\n0/0\t0/1\n1/0\t1/1");
    }

    @Test
    void aDoubleClickOrEnterOpensACell() throws Exception {
        AtomicLong opened = new AtomicLong(-1);
        WaitForAsyncUtils.asyncFx(() -> grid.setOnOpen((row, column) -> opened.set(row)))
                .get();
        robot.push(KeyCode.DOWN).push(KeyCode.ENTER);
        assertThat(opened.get()).isEqualTo(1);
        // Two clicks that come late on a busy machine are no double click.
        for (int tries = 0; tries < 3 && opened.get() <= 1; tries++) {
            robot.doubleClickOn(robot.offset(grid, -300, 0));
            WaitForAsyncUtils.waitForFxEvents();
        }
        assertThat(opened.get()).isGreaterThan(1);
    }

    @Test
    void anotherModelKeepsThePlaceAsFarAsItHasOne() throws Exception {
        robot.push(KeyCode.CONTROL, KeyCode.DOWN);
        WaitForAsyncUtils.asyncFx(() -> grid.setModel(new cuvee.model.ListGrid<>(
                        java.util.List.of("a", "b"),
                        java.util.List.of(cuvee.model.ListGrid.Column.of("Name", 100, name -> name)),
                        (name, column) -> GridModel.Tone.PLAIN)))
                .get();
        assertThat(grid.selectedRow()).isEqualTo(1);
        assertThat(grid.selectedColumn()).isZero();
    }

    @Test
    void anEmptyGridSaysWhyAndTakesNoKeys() throws Exception {
        WaitForAsyncUtils.asyncFx(() -> {
                    grid.setEmptyWords("Nothing here yet.");
                    grid.setModel(new cuvee.model.ListGrid<String>(
                            java.util.List.of(), java.util.List.of(), (s, c) -> GridModel.Tone.PLAIN));
                })
                .get();
        robot.push(KeyCode.DOWN).push(KeyCode.END);
        assertThat(WaitForAsyncUtils.asyncFx(() -> grid.queryAccessibleAttribute(AccessibleAttribute.TEXT))
                        .get())
                .isEqualTo("Nothing here yet.");
    }

    /** Every text colour on every ground on which it may stand (the design's table of contrasts). */
    @Test
    void everyColourCanBeReadOnEveryGroundWhereItIsUsed() {
        for (Palette palette : new Palette[] {Palette.LIGHT, Palette.DARK}) {
            for (String ground : new String[] {"paper", "surface", "sunk"}) {
                for (String text : new String[] {"ink", "second", "wine", "moss", "amber", "brick", "slate"}) {
                    assertThat(Contrast.of(palette.colour(text), palette.colour(ground)))
                            .as(text + " on " + ground)
                            .isGreaterThan(5);
                }
                assertThat(Contrast.of(palette.edge(), palette.colour(ground)))
                        .as("edge on " + ground)
                        .isGreaterThan(2.9);
            }
            assertThat(Contrast.of(palette.colour("on-wine"), palette.wine())).isGreaterThan(7);
            assertThat(Contrast.of(palette.ink(), palette.wineWash())).isGreaterThan(9);
            assertThat(Contrast.of(palette.amber(), palette.amberWash())).isGreaterThan(5);
            assertThat(Contrast.of(palette.brick(), palette.brickWash())).isGreaterThan(5);
        }
    }
}
