package say_test

import (
	"encoding/json"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"unitbloom/core/place"
	"unitbloom/core/say"
)

func TestMessagesFollowTheClassesWords(t *testing.T) {
	m := say.New("did.bundled", say.Pieces("from", say.Amount, 10, place.Ones),
		say.Pieces("to", say.Amount, 1, place.Tens))
	for words, want := range map[say.Vocabulary]string{
		{}:                                 "Bundled: 10 ones into 1 ten.",
		{Regroup: "exchange"}:              "Exchanged: 10 ones for 1 ten.",
		{Regroup: "rename", Ones: "units"}: "Renamed: 10 units as 1 ten.",
		{Regroup: "carry"}:                 "10 ones make 1 ten: carried.",
	} {
		assert.Equal(t, want, m.Text(words))
	}
	for _, choice := range say.RegroupChoices() {
		assert.NoError(t, say.Vocabulary{Regroup: choice}.Validate())
	}
	assert.Error(t, say.Vocabulary{Regroup: "swap"}.Validate())
	assert.Error(t, say.Vocabulary{Ones: "unities"}.Validate())
}

func TestLinesRoundTrip(t *testing.T) {
	for _, l := range []say.Line{
		{},
		{Own: "Tavi has 13 bulbs. <b>&\"'"},
		{Message: say.New("total.is", say.Number("n", say.Answer, place.Int(13)))},
		{Message: say.New("did.built", say.Form("form", say.Amount, place.Int(146).UnitForm()))},
	} {
		body, err := json.Marshal(l)
		require.NoError(t, err)
		var back say.Line
		require.NoError(t, json.Unmarshal(body, &back))
		assert.Equal(t, l.Text(say.Vocabulary{}), back.Text(say.Vocabulary{}))
		assert.Equal(t, l.Message.Has(say.Answer), back.Message.Has(say.Answer))
	}
	var l say.Line
	assert.Error(t, json.Unmarshal([]byte(`7`), &l))
}

func TestUnknownMessagesOfNewerFilesShowTheirName(t *testing.T) {
	var l say.Line
	require.NoError(t, json.Unmarshal([]byte(`{"id":"share.dealt"}`), &l))
	assert.Equal(t, "share.dealt", l.Text(say.Vocabulary{}))
	assert.Panics(t, func() { say.New("share.dealt") })
}

func TestWhatIsDoneSeveralTimesIsToldAsOne(t *testing.T) {
	more := say.New("did.more", say.Pieces("one", say.Given, 1, place.Ones))
	assert.Equal(t, "3 ones more.", more.Times(3).Text(say.Vocabulary{}))
	assert.Equal(t, "1 one more.", more.Text(say.Vocabulary{}), "the message itself is as it was")
	assert.Equal(t, "Not linked any more.", say.New("did.unlinked").Times(2).Text(say.Vocabulary{}))
}
