// Package server is the HTTP side: lessons, live events, and the built front
// end. Every rule is the core's; this package carries, guards and says no.
package server

import (
	"context"
	"crypto/rand"
	"encoding/hex"
	"fmt"
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
	// Host is the address to listen on. Where it is not this machine's own, or a name or a
	// proxy is given, others can come, and teachers sign in.
	Host string
	// Names are further host names that the server answers to.
	Names []string
	// Proxies are the addresses of proxies that may stand before the server, and are believed
	// who comes, and whether by TLS.
	Proxies []string
	// Files is the built front end; nil when there is none.
	Files fs.FS
	// Version is told by /healthz and /api/version.
	Version string
	Log     *slog.Logger
	// Work is where classes' work is kept, made from the store; the store itself where it is nil.
	Work func(*store.Store) store.Work
}

// Server answers requests about the lessons of a store.
type Server struct {
	store  *store.Store
	work   store.Work
	config Config
	holds  *holds
	build  string
	// open says that others than the one at this machine can come: teachers sign in. lock holds
	// back who guesses passphrases, keys who guesses children's pictures.
	open  bool
	lock  *people.Slow
	noted noted
	keys  *people.Slow
	// What goes on in classes: who listens, what is put up, who guesses codes; and what tickets
	// are made with.
	hub     live.Events
	rooms   *rooms
	slow    *people.Slow
	tickets []byte
	started time.Time
}

// New makes a server. What was made without signing in is the first teacher's, where teachers sign
// in.
func New(s *store.Store, c Config) (*Server, error) {
	if c.Host == "" {
		c.Host = "127.0.0.1"
	}
	for _, proxy := range c.Proxies {
		if net.ParseIP(proxy) == nil {
			return nil, fmt.Errorf("%q is no address of a proxy: give one like 127.0.0.1", proxy)
		}
	}
	if c.Log == nil {
		c.Log = slog.New(slog.DiscardHandler)
	}
	open := !isLoopback(c.Host) || len(c.Names) > 0 || len(c.Proxies) > 0
	if open {
		if err := s.TakeOver(); err != nil {
			return nil, err
		}
	}
	tickets, err := s.TicketKey()
	if err != nil {
		return nil, err
	}
	work := store.Work(s)
	if c.Work != nil {
		work = c.Work(s)
	}
	return &Server{store: s, work: work, config: c, holds: newHolds(), build: buildID(c.Files), open: open,
		lock: people.NewLock(),
		hub:  live.New(time.Now), rooms: newRooms(time.Now), slow: people.NewSlow(), keys: people.NewSlow(),
		tickets: tickets, started: time.Now()}, nil
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
	_ = r.SetTrustedProxies(s.config.Proxies) // each was read as an address before
	r.Use(s.identify, s.logged, gin.CustomRecovery(s.recovered), s.guard, s.headers)
	r.GET("/healthz", func(c *gin.Context) { c.JSON(http.StatusOK, gin.H{"ok": true, "version": s.config.Version}) })
	api := r.Group("/api", s.tellBuild)
	api.GET("/version", func(c *gin.Context) {
		c.JSON(http.StatusOK,
			gin.H{"version": s.config.Version, "build": s.build})
	})
	known := api.Group("", s.signedIn)
	zipped := known.Group("", gzip.Gzip(gzip.BestSpeed))
	s.accounts(api, known)
	s.lessons(known, zipped)
	s.classroom(known, zipped)
	s.desks(api)
	r.NoRoute(s.static)
	return r
}

// accounts are the routes of signing in, and of the school's teachers.
func (s *Server) accounts(api, known *gin.RouterGroup) {
	api.GET("/session", s.session)
	api.POST("/session", s.signIn)
	api.POST("/link", s.lookAtLink)
	api.POST("/account", s.useLink)
	known.DELETE("/session", s.signOut)
	known.GET("/sessions", s.sessions)
	known.POST("/sessions/:session/end", s.endSession)
	known.PUT("/passphrase", s.setPassphrase)
	known.GET("/teachers", s.teachers)
	lead := known.Group("", s.leads)
	lead.POST("/links", s.invite)
	lead.DELETE("/teachers/:teacher", s.endTeacher)
	lead.DELETE("/teachers/:teacher/sessions", s.signOutTeacher)
	lead.DELETE("/sessions", s.signOutAll)
	lead.GET("/deeds", s.deeds)
	known.GET("/school", s.school)
	lead.PUT("/school", s.setSchool)
}

// lessons are the routes of a shelf: each to a lesson says whether it reads or writes it.
func (s *Server) lessons(known, zipped *gin.RouterGroup) {
	known.GET("/archive", s.archive)
	zipped.GET("/lessons", s.list)
	zipped.POST("/lessons", s.create)
	zipped.POST("/lessons/folder", s.move)
	zipped.POST("/lessons/archive", s.unpack)
	zipped.PUT("/lessons/:id", s.put)
	zipped.PUT("/lessons/:id/showings/:showing", s.putShowing)
	known.GET("/lessons/:id/events", s.lessonTo(reads), s.events)
	read := zipped.Group("/lessons/:id", s.lessonTo(reads))
	read.GET("", s.get)
	read.GET("/face", s.face)
	read.GET("/file", s.file)
	read.GET("/showings", s.showings)
	write := zipped.Group("/lessons/:id", s.lessonTo(writes))
	write.POST("/saves", s.save)
	write.POST("/hold", s.hold)
	write.PATCH("", s.shareLesson)
	write.DELETE("", s.delete)
	write.POST("/restore", s.restore)
}

// classroom are the routes of a teacher's classes: each says whether it reads or writes.
func (s *Server) classroom(known, zipped *gin.RouterGroup) {
	known.GET("/classes/:class/events", s.classTo(reads), s.classEvents)
	zipped.GET("/classes", s.classes)
	zipped.POST("/classes", s.makeClass)
	read := zipped.Group("/classes/:class", s.classTo(reads))
	read.GET("", s.class)
	read.GET("/progress", s.progress)
	read.GET("/results", s.results)
	read.GET("/board", s.classBoard)
	known.GET("/classes/:class/archive", s.classTo(reads), s.archiveClass)
	write := zipped.Group("/classes/:class", s.classTo(writes))
	write.PATCH("", s.changeClass)
	write.DELETE("", s.deleteClass)
	write.POST("/pupils", s.addPupils)
	write.PATCH("/pupils/:pupil", s.changePupil)
	write.DELETE("/pupils/:pupil", s.deletePupil)
	write.PUT("/board", s.putUp)
	write.PUT("/stage", s.setStage)
	write.POST("/sets", s.makeSet)
	write.POST("/sets/try", s.trySet)
	zipped.GET("/sets/:set/wall", s.setTo(reads), tellSet(s, s.wallOf))
	zipped.GET("/sets/:set/paper", s.setTo(reads), tellSet(s, s.onPaper))
	zipped.GET("/sets/:set/attempts/:attempt/replay", s.setTo(reads), s.replay)
	sets := zipped.Group("/sets/:set", s.setTo(writes))
	sets.PATCH("", s.endSet)
	sets.DELETE("", s.deleteSet)
	sets.POST("/another", s.another)
	sets.POST("/attempts/:attempt/back", s.giveBack)
	sets.POST("/answered/:pupil", s.answered)
}

// desks are the routes of children's devices, which need a code, a seat or a ticket and nothing
// else.
func (s *Server) desks(api *gin.RouterGroup) {
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

// sweepEvery is how often what is kept too long is removed, turnEvery how often it is looked
// whether a set begins or ends.
const (
	sweepEvery = time.Hour
	turnEvery  = 10 * time.Second
)

// Serve answers on the listener until the context ends, then lets running
// requests finish for up to five seconds.
func (s *Server) Serve(ctx context.Context, l net.Listener) error {
	srv := &http.Server{
		Handler: s.Handler(), ReadHeaderTimeout: 5 * time.Second, ReadTimeout: 30 * time.Second,
		WriteTimeout: 60 * time.Second, IdleTimeout: 2 * time.Minute,
	}
	done := make(chan error, 1)
	go func() { done <- srv.Serve(l) }()
	turn := time.NewTicker(turnEvery)
	defer turn.Stop()
	var swept time.Time
	turned := s.rooms.now()
	for serving := true; serving; {
		now := s.rooms.now()
		if now.Sub(swept) >= sweepEvery {
			swept = now
			if err := s.store.SweepWork(); err != nil {
				s.config.Log.Error("sweep", "cause", err)
			}
		}
		s.turnSets(turned, now)
		turned = now
		select {
		case err := <-done:
			return err
		case <-turn.C:
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
	c.AbortWithStatusJSON(status, gin.H{"error": faultOf(c, code, text)})
}

func faultOf(c *gin.Context, code, text string) gin.H {
	return gin.H{"code": code, "text": text, "request": c.GetString("request")}
}
