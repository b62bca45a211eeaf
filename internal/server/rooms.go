package server

import (
	"bytes"
	"sync"
	"time"
)

// rooms is what goes on in classes now. It lives in memory: after a restart nothing is put up,
// and eyes are free.
type rooms struct {
	mu      sync.Mutex
	classes map[string]*room
	desks   map[string]desk
	now     func() time.Time
	// stageLives is for the tests, which wait less.
	stageLives time.Duration
}

// upThere is what is put up on a class's board: hand-ins side by side, with their names or
// without, or all answers to one task of a set, as they come.
type upThere struct {
	Attempts []string `json:"attempts"`
	Named    bool     `json:"named"`
	Set      string   `json:"set"`
	Task     int      `json:"task"`
}

type room struct {
	eyesUp bool
	up     upThere
	// stage is what the class's devices follow: what is drawn and said on the stage now, as the
	// teacher's page sent it. Nothing of what is held back is in it. It is over when the page has
	// not said for a while that it is still shown.
	stage []byte
	over  *time.Timer
}

// stageLives is how long a stage is followed without a word of the page that shows it, which says
// every half minute that it does; a page behind others may do so once a minute only.
const stageLives = 3 * time.Minute

// desk is what a child's device last told of her.
type desk struct {
	set   string
	task  int
	did   time.Time // when something last changed under her hands
	asks  bool
	began bool
}

func newRooms(now func() time.Time) *rooms {
	return &rooms{classes: map[string]*room{}, desks: map[string]desk{}, now: now, stageLives: stageLives}
}

func (r *rooms) of(class string) *room {
	if r.classes[class] == nil {
		r.classes[class] = &room{}
	}
	return r.classes[class]
}

func (r *rooms) forget(class string) {
	r.mu.Lock()
	defer r.mu.Unlock()
	if room := r.classes[class]; room != nil && room.over != nil {
		room.over.Stop()
	}
	delete(r.classes, class)
}

func (r *rooms) eyes(class string) bool {
	r.mu.Lock()
	defer r.mu.Unlock()
	return r.classes[class] != nil && r.classes[class].eyesUp
}

func (r *rooms) setEyes(class string, up bool) {
	r.mu.Lock()
	defer r.mu.Unlock()
	r.of(class).eyesUp = up
}

func (r *rooms) putUp(class string, up upThere) {
	r.mu.Lock()
	defer r.mu.Unlock()
	r.of(class).up = up
}

func (r *rooms) up(class string) upThere {
	r.mu.Lock()
	defer r.mu.Unlock()
	up := upThere{}
	if room := r.classes[class]; room != nil {
		up = room.up
	}
	if up.Attempts == nil {
		up.Attempts = []string{}
	}
	return up
}

// setStage notes what a class follows, nothing to end it; tell is called with it, and with nothing
// when no page has shown it any more for stageLives. What is told comes in the order of what is noted.
func (r *rooms) setStage(class string, stage []byte, tell func(stage []byte)) {
	r.mu.Lock()
	defer r.mu.Unlock()
	room := r.of(class)
	if room.over != nil {
		room.over.Stop()
	}
	same := bytes.Equal(room.stage, stage)
	room.stage, room.over = nil, nil
	if len(stage) > 0 {
		room.stage = stage
		var over *time.Timer
		over = time.AfterFunc(r.stageLives, func() {
			r.mu.Lock()
			defer r.mu.Unlock()
			if room.over == over {
				room.stage, room.over = nil, nil
				tell(nil)
			}
		})
		room.over = over
	}
	if !same {
		tell(stage)
	}
}

// stage is what a class follows; nil where nothing is followed.
func (r *rooms) stage(class string) []byte {
	r.mu.Lock()
	defer r.mu.Unlock()
	if r.classes[class] == nil {
		return nil
	}
	return r.classes[class].stage
}

// at notes where a child is; did says that she has done something, asks what she asks for when
// it is told.
func (r *rooms) at(pupil, set string, task int, did bool, asks *bool) {
	r.mu.Lock()
	defer r.mu.Unlock()
	d := r.desks[pupil]
	if d.set != set {
		d = desk{set: set, did: r.now()}
	}
	d.task = task
	if did {
		d.did, d.began = r.now(), true
	}
	if asks != nil {
		d.asks = *asks
	}
	r.desks[pupil] = d
}

func (r *rooms) desk(pupil string) desk {
	r.mu.Lock()
	defer r.mu.Unlock()
	return r.desks[pupil]
}
