package mindspool.server.notify;

import tools.jackson.databind.json.JsonMapper;

/** Sends messages on one kind of way. */
interface AlertSender {

  AlertRoute.Kind kind();

  /** Refuses a target that cannot be, by the field {@code target}. */
  void check(AlertRoute route);

  /**
   * Sends a message and waits until it is taken.
   *
   * @throws NotSentException where it was not, with what is wrong in words
   */
  void send(AlertRoute route, Message message) throws NotSentException;

  /**
   * A message.
   *
   * @param key of the alert; empty for a test
   * @param link whole address of the page where more of it is
   * @param atS when it was sent, epoch seconds
   */
  record Message(String key, String text, String link, boolean urgent, long atS) {

    /** As other programs get it: key, text, link, urgent, and at in epoch seconds. */
    String json() {
      return JsonMapper.shared()
          .writeValueAsString(
              JsonMapper.shared()
                  .createObjectNode()
                  .put("key", key)
                  .put("text", text)
                  .put("link", link)
                  .put("urgent", urgent)
                  .put("at", atS));
    }
  }

  /** What stood in the way. */
  class NotSentException extends Exception {
    private static final long serialVersionUID = 1L;

    NotSentException(String what, Throwable cause) {
      super(what, cause);
    }
  }
}
