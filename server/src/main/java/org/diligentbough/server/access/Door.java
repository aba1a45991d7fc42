package org.diligentbough.server.access;

import com.zaxxer.hikari.HikariDataSource;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import javax.sql.DataSource;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.session.jdbc.config.annotation.SpringSessionDataSource;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The door: sessions, tokens, headers, and what is open to nobody signed in. */
@Configuration
class Door implements WebMvcConfigurer {
    private static final Duration COOKIE_LIVES = Duration.ofDays(180);
    private static final int BCRYPT_COST = 12;
    private static final int SESSION_CONNECTIONS = 4;
    private static final long SESSION_WAIT_MS = 2_500;
    /** All that the pages were seen to need: their own files, pictures drawn or taken on the spot. */
    private static final String POLICY =
            "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none';"
                    + " form-action 'self'; frame-ancestors 'none'";

    /** A camera for photos, and what tells which way a phone looks; nothing else. */
    private static final String SENSORS = "camera=(self), accelerometer=(self), gyroscope=(self), magnetometer=(self),"
            + " geolocation=(), microphone=(), payment=(), usb=()";

    private final RightsGate gate;
    private final RateGate rates;

    Door(RightsGate gate, RateGate rates) {
        this.gate = gate;
        this.rates = rates;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(gate).addPathPatterns("/api/**");
        registry.addInterceptor(rates).addPathPatterns("/api/**");
    }

    @Bean
    SecurityFilterChain doorChain(
            HttpSecurity http,
            Rights rights,
            AccountMapper accounts,
            Clock clock,
            Refusals refusals,
            CsrfTokenRepository tokens,
            SecurityContextRepository signedIn)
            throws Exception {
        String[] open = rights.all().stream()
                .filter(Rights.Right::nobody)
                .map(Rights.Right::path)
                .distinct()
                .toArray(String[]::new);
        http.authorizeHttpRequests(ask -> ask.requestMatchers(open)
                        .permitAll()
                        .requestMatchers("/api/**")
                        .authenticated()
                        .anyRequest()
                        .permitAll())
                .securityContext(context -> context.securityContextRepository(signedIn))
                .csrf(csrf -> csrf.spa()
                        .csrfTokenRepository(tokens)
                        .ignoringRequestMatchers("/api/evaluate", "/api/roster", "/api/answers"))
                .exceptionHandling(refused -> refused.authenticationEntryPoint((request, response, e) -> refusals.write(
                                response,
                                HttpStatus.UNAUTHORIZED,
                                "Sign in first: every change is written down with who made it."))
                        .accessDeniedHandler((request, response, e) -> refusals.write(
                                response,
                                HttpStatus.FORBIDDEN,
                                "This was not sent by a page of this server, or that page is old: load it again.",
                                "no-token")))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER))
                        .crossOriginOpenerPolicy(opener -> opener.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(permissions -> permissions.policy(SENSORS)))
                .addFilterBefore(new SignedInFilter(accounts, clock), AuthorizationFilter.class)
                .requestCache(AbstractHttpConfigurer::disable)
                .formLogin(AbstractHttpConfigurer::disable)
                .httpBasic(AbstractHttpConfigurer::disable)
                .logout(AbstractHttpConfigurer::disable);
        return http.build();
    }

    /** Beans that the door itself is built of. */
    @Configuration
    static class Parts {
        @Bean
        SecurityContextRepository signedIn() {
            return new HttpSessionSecurityContextRepository();
        }

        @Bean
        PasswordEncoder passwordEncoder() {
            return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(BCRYPT_COST)));
        }

        /** Whatever changes something has to show that a page of this server sent it. */
        @Bean
        CsrfTokenRepository tokens(DoorSettings settings) {
            CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
            tokens.setCookieName(settings.cookie("bough-token"));
            tokens.setHeaderName("Bough-Token");
            tokens.setCookieCustomizer(
                    cookie -> cookie.path("/").secure(settings.https()).sameSite("Lax"));
            return tokens;
        }
    }

    @Bean
    CookieSerializer sessionCookie(DoorSettings settings) {
        DefaultCookieSerializer cookie = new DefaultCookieSerializer();
        cookie.setCookieName(settings.cookie("bough-session"));
        cookie.setCookiePath("/");
        cookie.setUseHttpOnlyCookie(true);
        cookie.setUseSecureCookie(settings.https());
        cookie.setSameSite("Lax");
        cookie.setCookieMaxAge((int) COOKIE_LIVES.toSeconds());
        return cookie;
    }

    /** Sessions have few connections of their own: whoever waits for one waits for no other work. */
    @Bean(defaultCandidate = false)
    @SpringSessionDataSource
    DataSource sessionDatabase(DataSourceProperties database) {
        HikariDataSource pool = database.initializeDataSourceBuilder()
                .type(HikariDataSource.class)
                .build();
        pool.setPoolName("sessions");
        pool.setMaximumPoolSize(SESSION_CONNECTIONS);
        pool.setConnectionTimeout(SESSION_WAIT_MS);
        return pool;
    }
}
