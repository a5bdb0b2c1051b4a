-- What the Floor asks at every change is found without reading history: the few that are open, not all that were.
create index standing_not_marked on assessment_standing (marked);
create index standing_not_cleared on assessment_standing (cleared);
