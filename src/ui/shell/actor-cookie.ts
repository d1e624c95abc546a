/** Cookie that holds the name of who works; read by the server, written by the name field. */
export const ACTOR_COOKIE = 'ac_actor';
