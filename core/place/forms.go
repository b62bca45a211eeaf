package place

import (
	"slices"
	"strconv"
	"strings"
)

var small = [...]string{
	"zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine",
	"ten", "eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen",
	"seventeen", "eighteen", "nineteen",
}

var tensWords = [...]string{"", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"}

// Expanded is the sum of the values of the digits, zeros left out: "300 + 10
// + 2", "3 + 0.05"; 0 is "0".
func (n Number) Expanded() string {
	var parts []string
	for p := Largest; p >= Smallest; p-- {
		if n.Digit(p) != 0 {
			parts = append(parts, n.DigitValue(p).String())
		}
	}
	if parts == nil {
		return "0"
	}
	return strings.Join(parts, " + ")
}

// DigitValue is the value of the digit at place p: 40 for the 4 of 146.
func (n Number) DigitValue(p Place) Number { return Number{int64(n.Digit(p)) * p.milli()} }

// Words is the ordinary reading. With and set, "and" stands before the tens
// and ones of each period, as in "one hundred and forty-six"; decimals are
// read digit by digit either way.
func (w Written) Words(and bool) string {
	text := wholeWords(int(w.thousandths/1000), and)
	decimals := max(w.Decimals, w.decimals())
	if decimals == 0 {
		return text
	}
	text += " point"
	for p := Tenths; p >= Place(-decimals); p-- {
		text += " " + small[w.Digit(p)]
	}
	return text
}

// Words is the ordinary reading of the value.
func (n Number) Words(and bool) string { return Written{Number: n}.Words(and) }

func wholeWords(n int, and bool) string {
	if n < 1000 {
		return periodWords(n, and)
	}
	unit, size := "thousand", 1000
	if n >= 1_000_000 {
		unit, size = "million", 1_000_000
	}
	text := wholeWords(n/size, and) + " " + unit
	rest := n % size
	switch {
	case rest == 0:
		return text
	case and && rest < 100:
		return text + " and " + wholeWords(rest, and)
	}
	return text + " " + wholeWords(rest, and)
}

func periodWords(n int, and bool) string {
	switch {
	case n < 20:
		return small[n]
	case n < 100 && n%10 == 0:
		return tensWords[n/10]
	case n < 100:
		return tensWords[n/10] + "-" + small[n%10]
	case n%100 == 0:
		return small[n/100] + " hundred"
	case and:
		return small[n/100] + " hundred and " + periodWords(n%100, and)
	}
	return small[n/100] + " hundred " + periodWords(n%100, and)
}

// PlaceWords is the reading that says each place: "five ten three" for 53,
// "ten seven" for 17, "four thousand seven ten" for 4,070, "three and five
// hundredths" for 3.05. Languages that count so let children hear the tens.
func (n Number) PlaceWords() string {
	whole, fraction := placeWordsWhole(int(n.thousandths/1000)), n.placeWordsFraction()
	switch {
	case fraction == "":
		return whole
	case n.thousandths < 1000:
		return fraction
	}
	return whole + " and " + fraction
}

func placeWordsWhole(n int) string {
	if n == 0 {
		return small[0]
	}
	var parts []string
	if n >= 1_000_000 {
		parts = append(parts, small[n/1_000_000]+" million")
	}
	if k := n / 1000 % 1000; k > 0 {
		parts = append(parts, placeWordsPeriod(k)+" thousand")
	}
	if r := n % 1000; r > 0 {
		parts = append(parts, placeWordsPeriod(r))
	}
	return strings.Join(parts, " ")
}

func placeWordsPeriod(n int) string {
	var parts []string
	if h := n / 100; h > 0 {
		parts = append(parts, small[h]+" hundred")
	}
	switch t := n / 10 % 10; {
	case t == 1:
		parts = append(parts, "ten")
	case t > 1:
		parts = append(parts, small[t]+" ten")
	}
	if o := n % 10; o > 0 {
		parts = append(parts, small[o])
	}
	return strings.Join(parts, " ")
}

func (n Number) placeWordsFraction() string {
	var parts []string
	for p := Tenths; p >= Smallest; p-- {
		switch d := n.Digit(p); {
		case d == 1:
			parts = append(parts, "one "+p.Singular())
		case d > 1:
			parts = append(parts, small[d]+" "+p.Plural())
		}
	}
	return strings.Join(parts, " ")
}

// Digit is one written digit and what it stands for.
type Digit struct {
	Place Place  `json:"place"`
	Digit int    `json:"digit"`
	Value Number `json:"value"`
}

// Digits lists the written digits, largest place first.
func (w Written) Digits() []Digit {
	var out []Digit
	for p := w.Top(); p >= Place(-max(w.Decimals, w.decimals())); p-- {
		out = append(out, Digit{p, w.Digit(p), w.DigitValue(p)})
	}
	return out
}

// Reading is every form of a number that a class reads, writes or says.
type Reading struct {
	Numeral      string  `json:"numeral"`
	Expanded     string  `json:"expanded"`
	UnitForm     string  `json:"unitForm"`
	Words        string  `json:"words"`
	WordsWithAnd string  `json:"wordsWithAnd"`
	PlaceWords   string  `json:"placeWords"`
	Digits       []Digit `json:"digits"`
}

// Read gives every form of a written number.
func (w Written) Read() Reading {
	return Reading{
		Numeral:      w.String(),
		Expanded:     w.Expanded(),
		UnitForm:     w.UnitForm().String(),
		Words:        w.Words(false),
		WordsWithAnd: w.Words(true),
		PlaceWords:   w.PlaceWords(),
		Digits:       w.Digits(),
	}
}

// InDigits is a line with the names of its whole numbers in digits: "fifty-eight and six" is
// "58 and 6", and "one hundred and six" is "106". The rest of the line stands as it is.
func InDigits(line string) string {
	var out []string
	var n naming
	end := func() {
		if n.last != unnamed {
			out = append(out, strconv.Itoa(n.thousands*1000+n.rest))
		}
		n = naming{}
	}
	words := strings.Fields(line)
	for i := 0; i < len(words); i++ {
		word := strings.TrimRight(words[i], ",?.=")
		if next := i + 1; word == "and" && n.last >= hundredNamed && next < len(words) {
			if v, known := Named(strings.TrimRight(words[next], ",?.=")); known && v > 0 && v < 100 {
				continue
			}
		}
		if v, known := Named(word); !known || !n.takes(v) {
			if end(); !known || !n.takes(v) {
				out = append(out, words[i])
				continue
			}
		}
		if after := words[i][len(word):]; after != "" {
			end()
			out[len(out)-1] += after
		}
	}
	end()
	return strings.Join(out, " ")
}

// naming is as much of a number as was named, and what was named last.
type naming struct{ thousands, rest, last int }

const (
	unnamed = iota
	onesNamed
	tensNamed
	hundredNamed
	thousandNamed
)

// Named is the number that a word names: five, twenty-three, hundred.
func Named(word string) (int, bool) {
	word = strings.ToLower(word)
	if ten, one, two := strings.Cut(word, "-"); two {
		t, o := slices.Index(tensWords[:], ten), slices.Index(small[:10], one)
		return 10*t + o, t > 1 && o > 0
	}
	if i := slices.Index(small[:], word); i >= 0 {
		return i, true
	}
	if i := slices.Index(tensWords[:], word); i > 1 {
		return 10 * i, true
	}
	sizes := map[string]int{"hundred": 100, "thousand": 1000}
	return sizes[word], sizes[word] > 0
}

// takes goes on with a number that was named, if it can follow what was named before.
func (n *naming) takes(v int) bool {
	switch {
	case v == 1000 && n.last != unnamed && n.thousands == 0 && n.rest > 0:
		*n = naming{thousands: n.rest, last: thousandNamed}
	case v == 100 && n.last == onesNamed && n.rest < 10 && n.rest > 0:
		n.rest, n.last = 100*n.rest, hundredNamed
	case v >= 100 || v == 0 && n.last != unnamed:
		return false
	case n.last == unnamed || n.last >= hundredNamed || n.last == tensNamed && v < 10:
		n.last = onesNamed
		if n.rest += v; v >= 20 && v%10 == 0 {
			n.last = tensNamed
		}
	default:
		return false
	}
	return true
}
