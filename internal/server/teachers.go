package server

import (
	"crypto/hmac"
	"errors"
	"fmt"
	"net/http"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/mileusna/useragent"

	"unitbloom/internal/people"
	"unitbloom/internal/store"
)

// maxAccount is the largest body about an account, in bytes.
const maxAccount = 4 << 10

// teacherView is a teacher as teachers see each other.
type teacherView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Lead bool   `json:"lead"`
}

func viewOf(t store.Teacher) teacherView { return teacherView{t.ID, t.Name, t.Lead} }

// session tells whether teachers sign in here, and who is.
func (s *Server) session(c *gin.Context) {
	answer := gin.H{"accounts": s.open}
	if _, t, err := s.signedInAs(c); err == nil {
		answer["teacher"] = viewOf(t)
	}
	c.JSON(http.StatusOK, answer)
}

// signIn begins a session for a name and its passphrase. Who is wrong waits, longer each time. A
// browser in which she has signed in before has tries of its own, so that nobody can lock a
// teacher out of it.
func (s *Server) signIn(c *gin.Context) {
	var in struct {
		Name       string `json:"name"`
		Passphrase string `json:"passphrase"`
	}
	if !bind(c, &in, maxAccount) {
		return
	}
	if !s.open {
		fail(c, http.StatusNotFound, "no-accounts", "Nobody signs in to a server of one's own machine.")
		return
	}
	t, err := s.store.TeacherNamed(in.Name)
	if err != nil && !errors.Is(err, store.ErrNoTeacher) {
		s.accountError(c, err)
		return
	}
	who := "teacher " + people.Folded(in.Name)
	if s.isKnown(c, t.ID) {
		who = "browser of " + t.ID
	}
	if wait := s.lock.Wait(who); wait > 0 || !s.lock.Turn(c.Request.Context(), who) {
		tooOften(c, max(wait, time.Second))
		return
	}
	if !people.IsPassphrase(t.Hash, in.Passphrase) {
		s.lock.Wrong(who)
		s.note(c, store.Deed{Did: "refused", Of: "teacher", ID: t.ID})
		if wait := s.lock.Wait(who); wait > time.Minute {
			s.config.Log.Warn("locked", "id", c.GetString("request"), "teacher", t.ID, "for", wait.String())
		}
		fail(c, http.StatusUnauthorized, "refused", "This name and this passphrase do not belong together.")
		return
	}
	s.lock.Right(who)
	s.begin(c, t)
}

// inWords is a time to wait as it is said.
func inWords(wait time.Duration) string {
	if wait > time.Minute {
		return fmt.Sprintf("%d minutes", int(wait.Minutes())+1)
	}
	return fmt.Sprintf("%d seconds", int(wait.Seconds())+1)
}

// tooSoon answers who tries again before her time, in words, and when she may.
func tooSoon(c *gin.Context, wait time.Duration, text string) {
	c.Header("Retry-After", strconv.Itoa(int(wait.Seconds())+1))
	fail(c, http.StatusTooManyRequests, "wait", text)
}

// tooOften answers who was wrong with a passphrase too often.
func tooOften(c *gin.Context, wait time.Duration) {
	tooSoon(c, wait, "There were too many wrong tries. Try again in "+inWords(wait)+".")
}

// begin begins a session, in the place of one that there may be.
func (s *Server) begin(c *gin.Context, t store.Teacher) {
	if err := s.store.End(s.token(c)); err != nil {
		s.accountError(c, err)
		return
	}
	token, err := s.store.Begin(t.ID, browserOf(c))
	if err != nil {
		s.accountError(c, err)
		return
	}
	s.setTeacherCookie(c, s.teacherCookie(c), token, store.SessionLife)
	s.setTeacherCookie(c, knownCookie, t.ID+"."+s.knownMark(t.ID), 365*24*time.Hour)
	c.Set("teacher", t)
	s.note(c, store.Deed{Did: "signed in"})
	c.JSON(http.StatusOK, gin.H{"teacher": viewOf(t)})
}

// knownCookie is of a browser in which a teacher has signed in before; it lets nobody in.
const knownCookie = "unitbloom-known"

func (s *Server) knownMark(teacher string) string {
	return people.Ticket(s.tickets, "known", teacher, "", "")
}

func (s *Server) isKnown(c *gin.Context, teacher string) bool {
	known, err := c.Cookie(knownCookie)
	return err == nil && teacher != "" && hmac.Equal([]byte(known), []byte(teacher+"."+s.knownMark(teacher)))
}

// teacherCookie is the name of a session's cookie: under TLS one that only this host can set.
func (s *Server) teacherCookie(c *gin.Context) string {
	if s.secure(c) {
		return "__Host-unitbloom"
	}
	return "unitbloom"
}

// token is that of the session that a request says it is of; empty where it says none.
func (s *Server) token(c *gin.Context) string {
	token, _ := c.Cookie(s.teacherCookie(c))
	return token
}

func (s *Server) setTeacherCookie(c *gin.Context, name, value string, age time.Duration) {
	http.SetCookie(c.Writer, &http.Cookie{Name: name, Value: value, Path: "/", HttpOnly: true,
		SameSite: http.SameSiteStrictMode, MaxAge: int(age.Seconds()), Secure: s.secure(c)})
}

// signOut ends this session, or with "everywhere" all of this teacher's.
func (s *Server) signOut(c *gin.Context) {
	err := s.store.End(s.token(c))
	if c.Query("everywhere") != "" {
		err = s.store.EndAll(teacher(c))
	}
	if err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "signed out"})
	s.setTeacherCookie(c, s.teacherCookie(c), "", -time.Second)
	c.Header("Clear-Site-Data", `"cache"`)
	c.Status(http.StatusNoContent)
}

// browserOf is what a teacher knows a browser by, as far as it says so: Firefox on Windows.
func browserOf(c *gin.Context) string {
	is := useragent.Parse(c.Request.UserAgent())
	switch {
	case is.Name == "" || len(is.Name)+len(is.OS) > 60:
		return ""
	case is.OS == "":
		return is.Name
	}
	return is.Name + " on " + is.OS
}

// sessions lists where a teacher is signed in.
func (s *Server) sessions(c *gin.Context) {
	type sessionView struct {
		store.Session
		Here bool `json:"here"`
	}
	list, err := s.store.Sessions(teacher(c))
	if err != nil {
		s.accountError(c, err)
		return
	}
	views := []sessionView{}
	here := people.Hashed(s.token(c))
	for _, one := range list {
		views = append(views, sessionView{one, one.Token == here})
	}
	c.JSON(http.StatusOK, gin.H{"sessions": views})
}

// endSession ends one of a teacher's sessions, for who says her passphrase.
func (s *Server) endSession(c *gin.Context) {
	var in struct {
		Passphrase string `json:"passphrase"`
	}
	if !bind(c, &in, maxAccount) {
		return
	}
	t, ok := s.proved(c, in.Passphrase)
	if !ok {
		return
	}
	if err := s.store.EndOne(t.ID, c.Param("session")); err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "signed out", Of: "teacher", ID: t.ID})
	c.Status(http.StatusNoContent)
}

// proved is who is signed in, when she says her passphrase again; or an answer that says why not.
func (s *Server) proved(c *gin.Context, passphrase string) (store.Teacher, bool) {
	t, err := s.store.Teacher(teacher(c))
	if err != nil {
		s.accountError(c, err)
		return t, false
	}
	who := "passphrase of " + t.ID
	if wait := s.lock.Wait(who); wait > 0 {
		tooOften(c, wait)
		return t, false
	}
	if !people.IsPassphrase(t.Hash, passphrase) {
		s.lock.Wrong(who)
		fail(c, http.StatusForbidden, "refused", "That is not your passphrase.")
		return t, false
	}
	return t, true
}

// signOutTeacher ends all sessions of a teacher's, for those who lead.
func (s *Server) signOutTeacher(c *gin.Context) {
	id := c.Param("teacher")
	_, err := s.store.Teacher(id)
	if err == nil {
		err = s.store.EndAll(id)
	}
	if err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "signed out", Of: "teacher", ID: id})
	c.Status(http.StatusNoContent)
}

// signOutAll ends the sessions of all teachers but the one who asks for it.
func (s *Server) signOutAll(c *gin.Context) {
	if err := s.store.EndAllBut(s.token(c)); err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "signed out", Of: "teacher"})
	c.Status(http.StatusNoContent)
}

// lookAtLink tells what a link is for: an account, or a passphrase of whose.
func (s *Server) lookAtLink(c *gin.Context) {
	var in struct {
		Token string `json:"token"`
	}
	if !bind(c, &in, maxAccount) {
		return
	}
	l, t, err := s.store.LinkOf(in.Token)
	if err != nil {
		s.accountError(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"name": t.Name, "lead": l.Lead})
}

// useLink makes an account or sets a passphrase, and signs in.
func (s *Server) useLink(c *gin.Context) {
	var in struct {
		Token      string `json:"token"`
		Name       string `json:"name"`
		Passphrase string `json:"passphrase"`
	}
	if !bind(c, &in, maxAccount) {
		return
	}
	l, t, err := s.store.LinkOf(in.Token)
	if err != nil {
		s.accountError(c, err)
		return
	}
	name := people.Name(in.Name)
	if l.TeacherID != "" {
		name = t.Name
	}
	if name == "" {
		fail(c, http.StatusUnprocessableEntity, "name", "Say what you are called, as your colleagues know you.")
		return
	}
	hash, ok := newPassphrase(c, in.Passphrase, name)
	if !ok {
		return
	}
	if t, err = s.store.UseLink(in.Token, name, hash); err != nil {
		s.accountError(c, err)
		return
	}
	c.Set("teacher", t)
	did := "made"
	if l.TeacherID != "" {
		did = "set a passphrase"
		s.lock.Right("teacher " + t.Folded)
	}
	s.note(c, store.Deed{Did: did, Of: "teacher", ID: t.ID})
	s.begin(c, t)
}

// newPassphrase is what is kept of a passphrase, or an answer that says why it will not do.
func newPassphrase(c *gin.Context, passphrase, name string) (hash string, ok bool) {
	err := people.CheckPassphrase(passphrase, name)
	if err != nil {
		fail(c, http.StatusUnprocessableEntity, "passphrase", "This will not do: "+err.Error()+".")
		return "", false
	}
	if hash, err = people.HashPassphrase(passphrase); err != nil {
		fail(c, http.StatusInternalServerError, "internal", "The passphrase could not be kept. Nothing was changed.")
	}
	return hash, err == nil
}

// setPassphrase sets another passphrase; her other sessions end.
func (s *Server) setPassphrase(c *gin.Context) {
	var in struct {
		Old string `json:"old"`
		New string `json:"new"`
	}
	if !bind(c, &in, maxAccount) {
		return
	}
	t, ok := s.proved(c, in.Old)
	if !ok {
		return
	}
	hash, ok := newPassphrase(c, in.New, t.Name)
	if !ok {
		return
	}
	if err := s.store.SetPassphrase(t.ID, hash, s.token(c)); err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "set a passphrase", Of: "teacher", ID: t.ID})
	c.Status(http.StatusNoContent)
}

// teachers lists the school's.
func (s *Server) teachers(c *gin.Context) {
	list, err := s.store.Teachers()
	if err != nil {
		s.accountError(c, err)
		return
	}
	views := []teacherView{}
	for _, t := range list {
		views = append(views, viewOf(t))
	}
	c.JSON(http.StatusOK, gin.H{"teachers": views})
}

// invite makes a link: for an account, or for the passphrase of a teacher who has lost hers.
func (s *Server) invite(c *gin.Context) {
	var in struct {
		For  string `json:"for"`
		Lead bool   `json:"lead"`
	}
	if !bind(c, &in, maxAccount) {
		return
	}
	if in.For != "" {
		if _, err := s.store.Teacher(in.For); err != nil {
			s.accountError(c, err)
			return
		}
	}
	token, err := s.store.MakeLink(store.Link{TeacherID: in.For, Lead: in.Lead && in.For == "", MadeBy: teacher(c)})
	if err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "invited", Of: "teacher", ID: in.For})
	c.JSON(http.StatusCreated, gin.H{"token": token})
}

// endTeacher ends an account; what she had belongs to whoever ends it.
func (s *Server) endTeacher(c *gin.Context) {
	id := c.Param("teacher")
	if err := s.store.EndTeacher(id, teacher(c)); err != nil {
		s.accountError(c, err)
		return
	}
	s.note(c, store.Deed{Did: "ended", Of: "teacher", ID: id})
	c.Status(http.StatusNoContent)
}

// mostDeeds is how many deeds are told at once.
const mostDeeds = 1000

// deedTold is a deed with what its thing is called, where that is still there.
type deedTold struct {
	store.Deed
	Title string `json:"title,omitempty"`
}

// deeds are what was done last.
func (s *Server) deeds(c *gin.Context) {
	list, err := s.store.Deeds(mostDeeds)
	if err != nil {
		s.accountError(c, err)
		return
	}
	titles, err := s.store.TitlesOf(list)
	if err != nil {
		s.accountError(c, err)
		return
	}
	out := make([]deedTold, len(list))
	for i, d := range list {
		out[i] = deedTold{d, titles[d.ID]}
	}
	c.JSON(http.StatusOK, gin.H{"deeds": out})
}

// accountError answers what cannot be done with an account.
func (s *Server) accountError(c *gin.Context, err error) {
	switch {
	case errors.Is(err, store.ErrNoLink):
		fail(c, http.StatusNotFound, "no-link", "This link was used, is too old, or is of another server. Ask for a new one.")
	case errors.Is(err, store.ErrTeacher):
		fail(c, http.StatusConflict, "named", "Another teacher here has this name. Add something to tell you apart.")
	case errors.Is(err, store.ErrNoSession):
		fail(c, http.StatusNotFound, "not-found", "That session has ended.")
	case errors.Is(err, store.ErrNoTeacher):
		fail(c, http.StatusNotFound, "no-teacher", "There is no such teacher here.")
	case errors.Is(err, store.ErrLastLead):
		fail(c, http.StatusConflict, "last", "Somebody has to be there who may invite others. This account stays.")
	default:
		s.storeError(c, 0, err)
	}
}

// FirstLink is the way to the first account, from the server's address on, while there is none; it
// is told where the server is started, and nowhere else.
func (s *Server) FirstLink() (path string, err error) {
	list, err := s.store.Teachers()
	if err != nil || !s.open || len(list) > 0 {
		return "", err
	}
	token, err := s.store.MakeLink(store.Link{Lead: true})
	return "/welcome#" + token, err
}

// Open reports whether others than the one at this machine can come, so that teachers sign in.
func (s *Server) Open() bool { return s.open }
