// Stands in for modules that only mark where code may run.
