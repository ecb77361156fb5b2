/** What stands beside the data, for whoever opens the archive without the program. */
export const ABOUT = `A SHOP OF SPARE KNOT, ALL OF IT

boards.csv      the boards on the rack; lengths in millimetres, prices each
drawers.csv     screws, hinges, glue, finish; the price is that of a pack
boxes.csv       the boxes that are out, one to a line
visits.csv      the visits to them, by the number of the box
photos/         pictures of visits, each under the id of its visit
data/           everything, table by table, as JSON: what the program reads back
shop.json       which kind of file this is, when it was written, how many rows each table has

In data/ an id is the same wherever it stands: a visit's box_id is the id of a box in trail_boxes.json.
Lengths there are ticks, 320 to a millimetre; prices are hundredths; moments are UTC. Documents (plans, layouts)
stand as text in the formats that they are published in. What was thrown away or taken off a list has a deleted_at.

A backup (bin/backup) has dump.sql and backup.json beside these: bin/restore puts all of it back.

It is read back into an empty shop: bin/start --empty, then Shop, "Everything in".
`;
