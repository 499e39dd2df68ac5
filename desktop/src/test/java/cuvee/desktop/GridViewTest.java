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
}
