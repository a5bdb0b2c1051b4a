-- which records lie beside one is asked with every mark
create index assessment_of_rig on assessment (rig_id, rig_version, prepared_at);
