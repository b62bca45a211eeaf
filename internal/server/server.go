// Package server is the HTTP side: lessons, live events, and the built front
// end. Every rule is the core's; this package carries, guards and says no.
package server

import (
	"context"
	"crypto/rand"
	"encoding/hex"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"strings"
	"time"

	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"

	"unitbloom/core/lesson"
	"unitbloom/internal/live"
	"unitbloom/internal/people"
	"unitbloom/internal/store"
)

// Limits of a request.
const (
	maxImport = lesson.MaxBytes
	maxSave   = lesson.MaxBytes
)

// Config is how a server is started.
type Config struct {
	// Host is the address to listen on; other machines are let in only with a
	// host of their own choosing and a passphrase.
	Host       string
	Passphrase string
	// Names are further host names that the server answers to.
	Names []string
	// Files is the built front end; nil when there is none.
	Files fs.FS
	// Version is told by /healthz and /api/version.
	Version string
	Log     *slog.Logger
}

// Server answers requests about the lessons of a store.
type Server struct {
	store  *store.Store
	config Config
	holds  *holds
	key    []byte
	build  string
	// What goes on in classes: who listens, what is put up, who guesses codes; and what tickets
	// are made with.
	hub     *live.Hub
	rooms   *rooms
	slow    *people.Slow
	tickets []byte
	started time.Time
}

// New makes a server. A host beyond this machine without a passphrase is
// refused.
func New(s *store.Store, c Config) (*Server, error) {
	if c.Host == "" {
		c.Host = "127.0.0.1"
	}
	if !isLoopback(c.Host) && c.Passphrase == "" {
		return nil, errors.New("other machines could reach this address: give a passphrase too, with --passphrase")
	}
	if c.Log == nil {
		c.Log = slog.New(slog.DiscardHandler)
	}
	key := make([]byte, 32)
	if _, err := rand.Read(key); err != nil {
		return nil, err
	}
	tickets, err := s.TicketKey()
	if err != nil {
		return nil, err
	}
	return &Server{store: s, config: c, holds: newHolds(), key: key, build: buildID(c.Files), hub: live.New(time.Now),
		rooms: newRooms(time.Now), slow: people.NewSlow(), tickets: tickets, started: time.Now()}, nil
}

func isLoopback(host string) bool {
	ip := net.ParseIP(host)
	return host == "localhost" || ip != nil && ip.IsLoopback()
}

// buildID names the front end's build, so that a tab with an older one says so.
func buildID(files fs.FS) string {
	if files == nil {
		return ""
	}
	id, err := fs.ReadFile(files, "build.txt")
	if err != nil {
		return ""
	}
	return strings.TrimSpace(string(id))
}

// Handler is the whole of the HTTP side.
func (s *Server) Handler() http.Handler {
	gin.SetMode(gin.ReleaseMode)
	r := gin.New()
	r.Use(s.identify, s.logged, gin.CustomRecovery(s.recovered), s.guard, headers)
	r.GET("/healthz", func(c *gin.Context) { c.JSON(http.StatusOK, gin.H{"ok": true, "version": s.config.Version}) })
	api := r.Group("/api", s.tellBuild)
	api.GET("/version", func(c *gin.Context) {
		c.JSON(http.StatusOK,
			gin.H{"version": s.config.Version, "build": s.build})
	})
	api.POST("/session", s.signIn)
	known := api.Group("", s.signedIn)
	known.GET("/lessons/:id/events", s.events)
	known.GET("/archive", s.archive)
	known.Use(gzip.Gzip(gzip.BestSpeed))
	known.GET("/school", s.school)
	known.PUT("/school", s.setSchool)
	known.GET("/lessons", s.list)
	known.POST("/lessons", s.create)
	known.PUT("/lessons/:id", s.put)
	known.POST("/lessons/folder", s.move)
	known.POST("/lessons/archive", s.unpack)
	known.GET("/lessons/:id", s.get)
	known.GET("/lessons/:id/face", s.face)
	known.GET("/lessons/:id/file", s.file)
	known.POST("/lessons/:id/saves", s.save)
	known.POST("/lessons/:id/hold", s.hold)
	known.DELETE("/lessons/:id", s.delete)
	known.POST("/lessons/:id/restore", s.restore)
	known.GET("/lessons/:id/showings", s.showings)
	known.PUT("/lessons/:id/showings/:showing", s.putShowing)
	s.classroom(api, known)
	r.NoRoute(s.static)
	return r
}

// classroom are the routes of classes: a teacher's, and those of children's devices, which
// need a code, a seat or a ticket and nothing else.
func (s *Server) classroom(api, known *gin.RouterGroup) {
	known.GET("/classes", s.classes)
	known.POST("/classes", s.makeClass)
	known.GET("/classes/:class", s.class)
	known.PATCH("/classes/:class", s.changeClass)
	known.DELETE("/classes/:class", s.deleteClass)
	known.POST("/classes/:class/pupils", s.addPupils)
	known.PATCH("/classes/:class/pupils/:pupil", s.changePupil)
	known.DELETE("/classes/:class/pupils/:pupil", s.deletePupil)
	known.GET("/classes/:class/progress", s.progress)
	known.GET("/classes/:class/results", s.results)
	known.GET("/classes/:class/board", s.classBoard)
	known.PUT("/classes/:class/board", s.putUp)
	known.PUT("/classes/:class/stage", s.setStage)
	known.POST("/classes/:class/sets", s.makeSet)
	known.PATCH("/sets/:set", s.endSet)
	known.DELETE("/sets/:set", s.deleteSet)
	known.GET("/sets/:set/wall", s.wall)
	known.POST("/sets/:set/another", s.another)
	known.POST("/sets/:set/attempts/:attempt/back", s.giveBack)
	known.POST("/sets/:set/answered/:pupil", s.answered)
	api.Group("", s.signedIn).GET("/classes/:class/events", s.classEvents)

	api.POST("/handins", s.handIn)
	desks := api.Group("/desk")
	desks.POST("/door", s.door)
	desks.POST("/sit", s.sit)
	seated := desks.Group("", s.seated)
	seated.GET("/events", s.deskEvents)
	seated.GET("", gzip.Gzip(gzip.BestSpeed), s.desk)
	seated.GET("/stage", gzip.Gzip(gzip.BestSpeed), s.deskStage)
	seated.POST("/open", s.openTasks)
	seated.POST("/here", s.here)
	seated.POST("/leave", s.leaveDesk)
}

// sweepEvery is how often what is kept too long is removed.
const sweepEvery = time.Hour

// Serve answers on the listener until the context ends, then lets running
// requests finish for up to five seconds.
func (s *Server) Serve(ctx context.Context, l net.Listener) error {
	srv := &http.Server{
		Handler: s.Handler(), ReadHeaderTimeout: 5 * time.Second, ReadTimeout: 30 * time.Second,
		WriteTimeout: 60 * time.Second, IdleTimeout: 2 * time.Minute,
	}
	done := make(chan error, 1)
	go func() { done <- srv.Serve(l) }()
	sweep := time.NewTicker(sweepEvery)
	defer sweep.Stop()
	for serving := true; serving; {
		if err := s.store.SweepWork(); err != nil {
			s.config.Log.Error("sweep", "cause", err)
		}
		select {
		case err := <-done:
			return err
		case <-sweep.C:
		case <-ctx.Done():
			serving = false
		}
	}
	s.holds.close()
	stop, cancel := context.WithTimeout(context.Background(), 5*time.Second)
	defer cancel()
	return srv.Shutdown(stop)
}

// identify gives each request an id, which its log line and errors carry.
func (s *Server) identify(c *gin.Context) {
	var id [6]byte
	_, _ = rand.Read(id[:])
	c.Set("request", hex.EncodeToString(id[:]))
	c.Header("X-Request-Id", c.GetString("request"))
}

func (s *Server) logged(c *gin.Context) {
	start := time.Now()
	c.Next()
	s.config.Log.Info("request", "id", c.GetString("request"), "method", c.Request.Method, "path", c.Request.URL.Path,
		"status", c.Writer.Status(), "ms", time.Since(start).Milliseconds())
}

func (s *Server) recovered(c *gin.Context, cause any) {
	s.config.Log.Error("panic", "id", c.GetString("request"), "cause", cause)
	fail(c, http.StatusInternalServerError, "internal", "Something went wrong on the server. Nothing was changed.")
}

func (s *Server) tellBuild(c *gin.Context) { c.Header("X-Unitbloom-Build", s.build) }

// fail answers with a code for programs and a sentence for people.
func fail(c *gin.Context, status int, code, text string) {
	c.AbortWithStatusJSON(status, gin.H{"error": gin.H{"code": code, "text": text, "request": c.GetString("request")}})
}
