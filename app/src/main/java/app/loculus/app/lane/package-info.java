/**
 * Who is served when: edits, questions and files each have a lane of their own, so that none of them is kept waiting by
 * many or slow ones of another kind. Whoever waits, and whoever sends a body slowly, holds no thread.
 *
 * Times in milliseconds or nanoseconds as their names say, sizes in octets.
 */
package app.loculus.app.lane;
