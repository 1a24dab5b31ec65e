package app.loculus.app.session;

/** Published when a page has been away for a while. @param page as it called itself */
public record PageGone(String page) {}
