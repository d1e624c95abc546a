// Through here comes whoever is nobody yet: signing in and out, the first run, invitations, and the hand-over of a device. What people do once
// they are signed in goes through the gate.
export * from './charge';
export * from './door';
