-- Levels of past months were counted without findings, traces and jobs. They are worked out anew when a report is asked for.
delete from level_days;
