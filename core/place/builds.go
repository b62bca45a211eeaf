package place

// Builds lists ways to build a whole number of pieces up to a largest place, in
// order from the fewest pieces to all ones, at most limit of them, with the
// count of all. 300 in hundreds, tens and ones begins 3 hundreds, 2 hundreds 10
// tens, 2 hundreds 9 tens 10 ones.
func Builds(ones int, top Place, limit int) (list []UnitForm, count int) {
	counts := make([]int, top+1)
	var fill func(p Place, left int)
	fill = func(p Place, left int) {
		if p == Ones {
			count++
			if len(list) < limit {
				counts[Ones] = left
				list = append(list, FromCounts(func(p Place) int {
					if p < Ones || p > top {
						return 0
					}
					return counts[p]
				}))
			}
			return
		}
		each, _ := p.Value().Whole()
		if p == Tens && len(list) >= limit {
			// What is not listed is only counted.
			count += left/each + 1
			return
		}
		for n := left / each; n >= 0; n-- {
			counts[p] = n
			fill(p-1, left-n*each)
		}
	}
	fill(top, ones)
	return list, count
}
