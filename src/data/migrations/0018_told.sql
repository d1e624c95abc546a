-- What was done in a job is told to whoever follows it, by whichever process they follow: it is found by its job.

-- step: job-of-command
ALTER TABLE sent_command ADD COLUMN IF NOT EXISTS job VARCHAR(80) NULL

-- step: job-of-command-index
ALTER TABLE sent_command ADD KEY IF NOT EXISTS sent_command_job (job, at)
