package server

import (
	"crypto/hmac"
	"crypto/sha256"
	"crypto/subtle"
	"encoding/hex"
	"net"
	"net/http"
	"net/url"
	"slices"
	"strings"
	"time"

	"github.com/gin-gonic/gin"
)

const cookieName = "unitbloom"

// guard answers only to the names that this server has, and lets only its own
// pages change anything, so that another site open in the same browser cannot.
func (s *Server) guard(c *gin.Context) {
	host := hostOf(c.Request.Host)
	if !s.answersTo(host) {
		fail(c, http.StatusMisdirectedRequest, "host",
			"This server does not answer to the name "+host+". Start it with --name to allow it.")
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

func headers(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("Content-Security-Policy",
		"default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self' 'unsafe-inline'; "+
			"img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'self'; "+
			"frame-ancestors 'none'")
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
}

// signIn gives the cookie for the passphrase. A wrong one is answered slowly.
func (s *Server) signIn(c *gin.Context) {
	var in struct {
		Passphrase string `json:"passphrase"`
	}
	if !bind(c, &in, 4<<10) {
		return
	}
	if subtle.ConstantTimeCompare([]byte(in.Passphrase), []byte(s.config.Passphrase)) != 1 {
		time.Sleep(time.Second)
		fail(c, http.StatusUnauthorized, "passphrase", "That is not the passphrase of this server.")
		return
	}
	http.SetCookie(c.Writer, &http.Cookie{
		Name: cookieName, Value: s.token(), Path: "/", HttpOnly: true, SameSite: http.SameSiteStrictMode,
		MaxAge: 30 * 24 * 3600,
	})
	c.Status(http.StatusNoContent)
}

// token is a new one for a browser that gave the passphrase: a name of its own, and
// our mark on it.
func (s *Server) token() string {
	name := NewID()
	return name + "." + s.mark(name)
}

func (s *Server) mark(name string) string {
	mac := hmac.New(sha256.New, s.key)
	mac.Write([]byte(name + "\x00" + s.config.Passphrase))
	return hex.EncodeToString(mac.Sum(nil))
}

func (s *Server) isToken(cookie string) bool {
	name, mark, ok := strings.Cut(cookie, ".")
	return ok && s.config.Passphrase != "" && subtle.ConstantTimeCompare([]byte(mark), []byte(s.mark(name))) == 1
}

func (s *Server) signedIn(c *gin.Context) {
	if s.config.Passphrase == "" {
		return
	}
	if got, err := c.Cookie(cookieName); err != nil || !s.isToken(got) {
		fail(c, http.StatusUnauthorized, "sign-in", "Give the passphrase first.")
	}
}
