package app.loculus.app.live;

/** Published when a page has been away for a while. @param page as it called itself */
public record PageGone(String page) {}
