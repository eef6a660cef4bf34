-- What waits to dry is asked for over all sets of a shop, by kind and since when.
CREATE INDEX evidence_kind ON evidence (shop_id, kind, taken_at);
