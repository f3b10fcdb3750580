package mindspool.server.http;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/**
 * One person on one machine, bound to loopback: no sign-in, but pages of other sites can neither
 * use the API nor frame the application, and nothing is loaded from elsewhere.
 */
@Configuration
class SecurityConfiguration {

  /** Scripts only from here; style attributes are allowed because the chart library sets them. */
  private static final String CONTENT_POLICY =
      "default-src 'self'; script-src 'self'; style-src 'self'; style-src-attr 'unsafe-inline';"
          + " img-src 'self' data:; font-src 'self'; connect-src 'self'; object-src 'none';"
          + " base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

  @Bean
  SecurityFilterChain filterChain(HttpSecurity http, SameOriginFilter sameOrigin) throws Exception {
    return http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
        // Cross-site requests are refused by their origin, so no token is needed.
        .csrf(csrf -> csrf.disable())
        .logout(logout -> logout.disable())
        .requestCache(cache -> cache.disable())
        .sessionManagement(s -> s.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
        .addFilterBefore(sameOrigin, AuthorizationFilter.class)
        .headers(
            headers ->
                headers
                    .contentSecurityPolicy(csp -> csp.policyDirectives(CONTENT_POLICY))
                    .cacheControl(cache -> cache.disable())
                    .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER))
                    .permissionsPolicyHeader(
                        permissions ->
                            permissions.policy("camera=(), microphone=(), geolocation=()")))
        .build();
  }

  /** Addresses that no page has, such as with a NUL in them, are refused in the same form. */
  @Bean
  RequestRejectedHandler unusableAddresses() {
    return (request, response, rejected) -> UnreadableRequest.refuseAddress(response);
  }

  /** No accounts yet. */
  @Bean
  UserDetailsService noUsers() {
    return new InMemoryUserDetailsManager();
  }
}
