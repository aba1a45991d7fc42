package org.diligentbough.server.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.diligentbough.server.access.DemoPeople.DemoPersonView;
import org.diligentbough.server.access.SignInService.SignedInView;
import org.diligentbough.server.shared.MayBeNull;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.csrf.DeferredCsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who is signed in, and signing in and out. */
@RestController
@RequestMapping("/api")
class SignInApi {
    private final SignInService service;
    private final Sessions sessions;
    private final DemoPeople demo;

    SignInApi(SignInService service, Sessions sessions, DemoPeople demo) {
        this.service = service;
        this.sessions = sessions;
        this.demo = demo;
    }

    /**
     * Who is at work.
     *
     * @param signedIn null when nobody is
     * @param token to be sent as the header {@code Bough-Token} with whatever changes something
     * @param demo made-up people one can be with one click; empty elsewhere
     * @param begun whether anybody can sign in at all; before that the first coordinator comes in by the address that was
     *     printed
     */
    record MeView(@MayBeNull SignedInView signedIn, String token, List<DemoPersonView> demo, boolean begun) {}

    record Credentials(
            @NotBlank(message = "is missing; give your login") @Size(max = 120, message = "is longer than 120 letters")
            String login,

            @NotNull(message = "is missing; give your password")
            @Size(max = 200, message = "is longer than 200 letters")
            String password) {}

    /**
     * Another password.
     *
     * @param old the one before; left out by whoever had none
     * @param login left out by whoever has one
     */
    record NewPassword(
            @MayBeNull @Size(max = 200, message = "is longer than 200 letters")
            String old,

            @MayBeNull @Size(max = 120, message = "is longer than 120 letters")
            String login,

            @NotNull(message = "is missing; give a password") @Size(max = 200, message = "is longer than 200 letters")
            String password) {}

    record Forgotten(
            @NotBlank(message = "is missing; give your login") @Size(max = 120, message = "is longer than 120 letters")
            String login) {}

    record DemoChoice(
            @NotBlank(message = "is missing; choose one of them") @Size(max = 80, message = "is longer than 80 letters")
            String name) {}

    @GetMapping("/me")
    MeView me(HttpServletRequest request) {
        return new MeView(service.me().orElse(null), token(request), demo.offered(request), service.begun());
    }

    /** The token of this request, as it stands in the cookie. */
    private static String token(HttpServletRequest request) {
        return ((DeferredCsrfToken) request.getAttribute(DeferredCsrfToken.class.getName()))
                .get()
                .getToken();
    }

    @PostMapping("/session")
    MeView signIn(@Valid @RequestBody Credentials sent, HttpServletRequest request, HttpServletResponse response) {
        sessions.enter(service.check(sent.login(), sent.password(), request.getRemoteAddr()), request, response);
        return me(request);
    }

    @DeleteMapping("/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest request) {
        sessions.leave(request);
    }

    /** Signs out here and everywhere else. */
    @DeleteMapping("/me/sessions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOutEverywhere(HttpServletRequest request) {
        service.endAll();
        sessions.leave(request);
    }

    /** Changes one's password; other sessions end, this one goes on. */
    @PutMapping("/me/password")
    MeView changePassword(
            @Valid @RequestBody NewPassword sent, HttpServletRequest request, HttpServletResponse response) {
        sessions.enter(
                service.change(sent.login(), sent.old(), sent.password(), request.getRemoteAddr()), request, response);
        return me(request);
    }

    /** Tells the coordinators that somebody cannot get in. The answer is the same whether there is such a login or not. */
    @PostMapping("/passwords/forgotten")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void forgotten(@Valid @RequestBody Forgotten sent, HttpServletRequest request) {
        service.forgotten(sent.login(), request.getRemoteAddr());
    }

    /** Signs in as one of the made-up people of the demo. */
    @PostMapping("/demo/sign-in")
    MeView beDemoPerson(@Valid @RequestBody DemoChoice sent, HttpServletRequest request, HttpServletResponse response) {
        sessions.enter(demo.account(sent.name(), request), request, response);
        return me(request);
    }
}
