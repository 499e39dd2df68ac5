package cuvee.propose;

import cuvee.layout.PlacedTable;
import cuvee.tag.Home;

/** Where tables come from. */
public interface Homes {
    Home of(PlacedTable table);
}
