/** Alerts that reach somebody: shown, muted, and sent by mail, over HTTP and over MQTT. */
@ApplicationModule(allowedDependencies = {"acts", "alerts", "devices", "http"})
package mindspool.server.notify;

import org.springframework.modulith.ApplicationModule;
