package say

import "strings"

// irregular are things whose many is not one with an s.
var irregular = [][2]string{{"child", "children"}, {"mouse", "mice"}, {"goose", "geese"}, {"foot", "feet"},
	{"tooth", "teeth"}, {"ox", "oxen"}, {"die", "dice"}, {"quiz", "quizzes"},
	{"bus", "buses"}, {"man", "men"}, {"woman", "women"}, {"person", "people"}, {"sheep", "sheep"},
	{"fish", "fish"}, {"deer", "deer"}, {"human", "humans"},
	{"leaf", "leaves"}, {"loaf", "loaves"}, {"knife", "knives"}, {"wolf", "wolves"}, {"shelf", "shelves"},
	{"half", "halves"}, {"calf", "calves"}, {"elf", "elves"}, {"scarf", "scarves"}, {"thief", "thieves"},
	{"potato", "potatoes"}, {"tomato", "tomatoes"}, {"hero", "heroes"}, {"domino", "dominoes"},
	{"cookie", "cookies"}, {"brownie", "brownies"}, {"movie", "movies"}, {"magpie", "magpies"},
	{"pixie", "pixies"}, {"genie", "genies"}, {"zombie", "zombies"}, {"smoothie", "smoothies"}}

// adjectives say how a thing is before it is named.
var adjectives = strings.Fields("red orange yellow green blue purple pink brown black white grey gray golden " +
	"silver big small little tiny large huge long short tall thin thick round square flat new old young " +
	"ripe fresh sweet hungry thirsty busy happy sad brave clever sleepy lazy fast slow wild tame striped " +
	"spotted wooden empty full broken more other whole single ready hot cold")

// isMany reports whether a thing is certainly told as many: bees, but not bus.
func isMany(thing string) bool {
	one := OneOf(thing)
	return one != thing && ManyOf(one) == thing && !strings.HasSuffix(thing, "us") && !strings.HasSuffix(thing, "is")
}

// OneOf is the name of one thing: bulb of bulbs, leaf of leaves.
func OneOf(things string) string {
	for _, w := range irregular {
		if things == w[1] {
			return w[0]
		}
	}
	switch {
	case strings.HasSuffix(things, "men"):
		return strings.TrimSuffix(things, "men") + "man"
	case strings.HasSuffix(things, "ies") && len(things) > 4:
		return strings.TrimSuffix(things, "ies") + "y"
	case strings.HasSuffix(things, "sses") || strings.HasSuffix(things, "xes") || strings.HasSuffix(things, "shes") ||
		strings.HasSuffix(things, "ches"):
		return strings.TrimSuffix(things, "es")
	case strings.HasSuffix(things, "ss"):
		return things
	}
	return strings.TrimSuffix(things, "s")
}

// ManyOf is the name of several of a thing, told as one or as many.
func ManyOf(thing string) string {
	one := OneOf(thing)
	for _, w := range irregular {
		if one == w[0] {
			return w[1]
		}
	}
	if strings.HasSuffix(one, "man") {
		return strings.TrimSuffix(one, "man") + "men"
	}
	if one == "" || one != thing {
		return thing // it is told as many already
	}
	return withS(one)
}

// withS is a word with the s that it takes: daisies, boxes, bees.
func withS(word string) string {
	before := word[max(0, len(word)-2):]
	switch {
	case strings.HasSuffix(word, "y") && !strings.ContainsAny(before[:1], "aeiou"):
		return word[:len(word)-1] + "ies"
	case strings.HasSuffix(word, "s") || strings.HasSuffix(word, "x"), before == "zz", before == "sh", before == "ch":
		return word + "es"
	}
	return word + "s"
}

// Verbs that stories are told with, for many: those that are not one with an s, and the others.
var (
	irregularVerbs = [][2]string{{"are", "is"}, {"were", "was"}, {"have", "has"}, {"do", "does"}, {"go", "goes"},
		{"don't", "doesn't"}, {"don’t", "doesn’t"}, {"aren't", "isn't"}, {"aren’t", "isn’t"}}
	regularVerbs = strings.Fields("sit play grow stand swim run jump walk eat sleep wait come stay lie live hop hang " +
		"hide crawl climb drink dance sing float fall roll leave arrive bloom rest fly carry try catch watch bark " +
		"buzz nest chirp graze feed bite chase hatch paddle pass push pull reach rush wash splash munch march cross " +
		"wave wear write read draw paint build count cook bake buy sell cost need want like love own get give take " +
		"bring hold keep find lose join meet help work drive ride skip kick throw turn travel move start stop open " +
		"close break burn shine drop land lay look listen laugh smile cry dry hurry pick plant remain slide snore " +
		"spin sprout swing talk wake win weigh wiggle enter appear disappear follow gather share visit bounce sail " +
		"lean park peck dig burst melt hum squeak quack moo bleat miss finish begin")
)

// verbOf is a verb of a story for many and for one; ok is false for any other word.
func verbOf(word string) (many, one string, ok bool) {
	for _, v := range irregularVerbs {
		if word == v[0] || word == v[1] {
			return v[0], v[1], true
		}
	}
	for _, many := range regularVerbs {
		if !strings.HasPrefix(word, many[:len(many)-1]) {
			continue
		}
		if one := withS(many); word == many || word == one {
			return many, one, true
		}
	}
	return "", "", false
}

// agree is a verb of a story for one or for many; any other word stays.
func agree(word string, single bool) string {
	many, one, ok := verbOf(word)
	switch {
	case !ok:
		return word
	case single:
		return one
	}
	return many
}
