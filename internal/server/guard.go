package server

import (
	"net"
	"net/http"
	"net/url"
	"slices"
	"strings"

	"github.com/gin-gonic/gin"
)

// guard answers only to the names that this server has, and lets only its own
// pages change anything, so that another site open in the same browser cannot.
func (s *Server) guard(c *gin.Context) {
	host := hostOf(c.Request.Host)
	if !s.answersTo(host) {
		fail(c, http.StatusMisdirectedRequest, "host",
			"This server does not answer to the name "+host+". Start it with --name to allow it.")
		return
	}
	if !s.open && (c.GetHeader("X-Forwarded-For") != "" || c.GetHeader("Forwarded") != "") {
		// Whoever comes by a proxy would be taken for the one at this machine.
		fail(c, http.StatusMisdirectedRequest, "proxy",
			"A proxy stands before this server, which was started for this machine alone. Start it with --proxy.")
		return
	}
	if c.Request.Method == http.MethodGet || c.Request.Method == http.MethodHead {
		return
	}
	if origin := c.GetHeader("Origin"); origin != "" {
		u, err := url.Parse(origin)
		if err != nil || u.Host != c.Request.Host {
			fail(c, http.StatusForbidden, "origin", "Another site may not change anything here.")
		}
	}
}

func hostOf(hostport string) string {
	if host, _, err := net.SplitHostPort(hostport); err == nil {
		return host
	}
	return strings.Trim(hostport, "[]")
}

func (s *Server) answersTo(host string) bool {
	if isLoopback(host) || host == s.config.Host || slices.Contains(s.config.Names, host) {
		return true
	}
	// Started for all addresses, it answers to any address, but to no name.
	all := net.ParseIP(s.config.Host)
	return all != nil && all.IsUnspecified() && net.ParseIP(host) != nil
}

func (s *Server) headers(c *gin.Context) {
	h := c.Writer.Header()
	if s.secure(c) {
		h.Set("Strict-Transport-Security", "max-age=31536000")
	}
	h.Set("Content-Security-Policy",
		"default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; "+
			"img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self'; manifest-src 'self'; base-uri 'none'; "+
			"form-action 'self'; frame-src 'self'; frame-ancestors 'self'")
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
}

// secure reports whether the browser came by TLS, to this server or to the proxy before it.
func (s *Server) secure(c *gin.Context) bool {
	return c.Request.TLS != nil || s.byProxy(c) && c.GetHeader("X-Forwarded-Proto") == "https"
}

// byProxy reports whether a request came from a proxy that was named.
func (s *Server) byProxy(c *gin.Context) bool {
	ip := net.ParseIP(c.RemoteIP())
	return slices.ContainsFunc(s.config.Proxies, func(p string) bool { return net.ParseIP(p).Equal(ip) })
}
