package cuvee.model;

import cuvee.master.KeptMaster;
import cuvee.master.MasterLine;
import cuvee.master.MasterPlan;
import cuvee.master.MasterReader;
import cuvee.value.Type;
import java.math.BigDecimal;
import java.util.List;
import java.util.concurrent.Executor;
import org.jspecify.annotations.Nullable;

/** The master of an earlier refresh as a grid: pages are read on a thread of their own. Whoever makes it closes it. */
public final class KeptGrid implements GridModel, AutoCloseable {
    private static final int MOST_DECIMALS = 6;

    private final KeptMaster kept;
    private final Pages<List<MasterLine>> pages;

    KeptGrid(KeptMaster kept, Executor ui) {
        this.kept = kept;
        MasterReader reader = kept.reader();
        this.pages = new Pages<>(
                "cuvee-earlier",
                kept.rows(),
                page -> reader.page(page * Pages.ROWS, (int) Math.min(Pages.ROWS, kept.rows() - page * Pages.ROWS)),
                () -> {
                    reader.close();
                    kept.close();
                },
                ui);
    }

    private MasterPlan.Column at(int column) {
        return kept.plan().columns().get(column);
    }

    @Override
    public long rows() {
        return kept.rows();
    }

    @Override
    public int columns() {
        return kept.plan().columns().size();
    }

    @Override
    public String title(int column) {
        return at(column).name();
    }

    @Override
    public String subtitle(int column) {
        return at(column).type().word()
                + (at(column).currency().isEmpty() ? "" : ", " + at(column).currency());
    }

    @Override
    public double width(int column) {
        double byType = at(column).type() == Type.TEXT ? 150 : 96;
        return Math.max(
                byType,
                Math.max(title(column).length() * 7.4 + 24, subtitle(column).length() * 6.1 + 18));
    }

    @Override
    public boolean numeric(int column) {
        return at(column).type().isNumber();
    }

    @Override
    public @Nullable String text(long row, int column) {
        return pages.holding(row)
                .map(page -> page.get((int) (row % Pages.ROWS)).values().get(column))
                .map(value -> shown(value, at(column)))
                .orElseGet(() -> pages.holding(row).isPresent() ? "" : null);
    }

    /** A value as people read it; decimals stand under each other. */
    private static String shown(String value, MasterPlan.Column column) {
        int decimals = Math.min(MOST_DECIMALS, column.decimals());
        BigDecimal number = column.type() == Type.DECIMAL ? new BigDecimal(value) : BigDecimal.ZERO;
        return MasterGrid.shownAs(
                column.type() == Type.DECIMAL && number.scale() < decimals
                        ? number.setScale(decimals).toPlainString()
                        : value,
                column.type());
    }

    @Override
    public String failure() {
        return pages.failure();
    }

    @Override
    public void onArrival(Runnable listener) {
        pages.onArrival(listener);
    }

    @Override
    public void close() {
        pages.close();
    }
}
