package method

// Acts is how many acts it takes to lay a number one by one, by fives and by
// tens: the slow way beside the fast way.
type Acts struct {
	Way   string `json:"way"`
	Count int    `json:"count"`
}

// CountActs counts the acts for a whole number: a ten is one act by tens, a five
// one by fives, and what is left over comes one by one.
func CountActs(n int) []Acts {
	return []Acts{{"one by one", n}, {"by fives", n/5 + n%5}, {"by tens", n/10 + n%10}}
}
