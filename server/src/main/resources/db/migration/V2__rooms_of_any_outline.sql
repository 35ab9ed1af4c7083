-- rooms are outlines now: edits of the rectangles they were before cannot be taken back any more
update plan set undo_top = null, redo_top = null
where exists (select 1 from jsonb_each(document -> 'rooms') room where room.value ? 'widthM');
