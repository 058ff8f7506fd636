-- Dates ahead of their time are brought back when the tables are opened; days that no calendar has are none.
delete from practice_day where day not glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]';
