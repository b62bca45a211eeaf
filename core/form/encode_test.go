package form_test

import (
	"encoding/json"
	"sync"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/form"
	"unitbloom/core/place"
	"unitbloom/internal/proptest"
)

// branch is a type that holds itself.
type branch struct {
	Name  string   `json:"name"`
	Under []branch `json:"under"`
}

// A server writes many at once, the first of a type too.
func TestValuesAreWrittenForManyAtOnce(t *testing.T) {
	type leaf struct {
		Tree []branch `json:"tree"`
	}
	var all sync.WaitGroup
	for range 16 {
		all.Go(func() {
			got, err := form.JSON(leaf{Tree: []branch{{Name: "x"}}})
			assert.NoError(t, err)
			assert.Equal(t, `{"tree":[{"name":"x","under":null}]}`, string(got))
		})
	}
	all.Wait()
}

// What is written here is what the standard library writes, sign by sign.
func TestValuesAreWrittenAsTheLibraryDoes(t *testing.T) {
	tens, three := place.Tens, 3
	type inner struct {
		At *place.Place `json:"at,omitempty"`
	}
	for _, value := range []any{
		nil, 5, "x", []string(nil), []string{}, []int32{1, -2}, []int32(nil), []json.RawMessage{[]byte(`{"a":1}`)},
		"“Half” <of> it & \"more\"\u2028\x01\x7f", "97 ÷ 4", "broken \xff", map[string]int{"b": 2, "a": 1},
		struct {
			Deep   []struct{ N int8 }
			hidden int
			Few    [2]int `json:"few,omitempty"`
		}{Deep: []struct{ N int8 }{{3}}, hidden: 1},
		struct{ *inner }{}, struct {
			inner `json:"named"`
			Text  int `json:"text,string"`
		}{Text: 4},
		[]any{nil, 1, "é", inner{&tens}, &inner{}, map[string]any{"x": nil}},
		struct {
			inner
			Deep  []struct{ N int8 } `json:"deep"`
			Left  string             `json:"-"`
			Empty map[string]string  `json:"empty,omitempty"`
			Names map[string]string  `json:"names"`
			Part  *int               `json:"part,omitempty"`
			Whole *int               `json:"whole"`
			None  *int               `json:"none"`
			Any   any                `json:"any"`
			Some  any                `json:"some,omitempty"`
			Raw   json.RawMessage    `json:"raw"`
			Bytes []byte             `json:"bytes"`
			Half  float64            `json:"half"`
			Under []branch           `json:"under"`
		}{Under: []branch{{Name: "a", Under: []branch{{Name: "b"}}}}, Names: map[string]string{"b": "2", "a": "<"},
			Bytes: []byte{1, 2}, Half: 0.5, Whole: &three, Any: tens},
	} {
		got, err := form.JSON(value)
		require.NoError(t, err)
		assert.Equal(t, proptest.ByLibrary(t, value), string(got))
	}
}

// What is kept of what came has no spaces between its values, and stays as it came within them.
func TestWhatIsKeptIsCompact(t *testing.T) {
	var into struct {
		Known int `json:"known"`
	}
	extra, err := form.Keep([]byte("{ \"known\": 1,\n  \"new\": { \"a\" : [1, 2, \"x  y\"] } }"), &into)
	require.NoError(t, err)
	got, err := form.Write(into, extra)
	require.NoError(t, err)
	assert.Equal(t, `{"known":1,"new":{"a":[1,2,"x  y"]}}`, string(got))
	assert.Equal(t, `broken {`, string(form.Compact([]byte(`broken {`))))
}
