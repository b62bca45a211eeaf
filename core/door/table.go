package door

import (
	"strings"

	"unitbloom/core/lesson"
)

// A table has numbers under one another: each digit stands under its like, as the ones of 12.5 and of 3
// do. What a number lacks after its last digit is told, for whoever draws it to leave its room.

// decimals are the most places after the point that a number has in each column of a scene's table.
type decimals []int

func decimalsOf(sc lesson.Scene) decimals {
	var most decimals
	for _, step := range sc.Steps {
		for _, wr := range step.Write {
			for i, cell := range wr.Cells {
				if i == len(most) {
					most = append(most, 0)
				}
				if n, ok := placesIn(cell); ok {
					most[i] = max(most[i], n)
				}
			}
		}
	}
	return most
}

// ends are what the numbers of a row lack, in the signs of a class; none where they lack nothing.
func (most decimals) ends(cells []string, point string) []string {
	out, lacks := make([]string, len(cells)), false
	for i, cell := range cells {
		n, ok := placesIn(cell)
		if !ok || n == most[i] {
			continue
		}
		lacks = true
		if n == 0 {
			out[i] = point
		}
		out[i] += strings.Repeat("0", most[i]-n)
	}
	if !lacks {
		return nil
	}
	return out
}

// placesIn are the places after the point of a cell's number, which stands alone or with the sign of what
// is done with it; not of another cell.
func placesIn(cell string) (int, bool) {
	number := strings.TrimLeft(cell, "+−×÷ ")
	_, after, _ := strings.Cut(number, ".")
	return len(after), number != "" && strings.Trim(number, "0123456789.") == ""
}
