package main

import (
	"crypto/tls"
	"fmt"
	"os"
	"sync"
	"time"
)

// certificate answers with the certificate of two files, read again when one of them has changed,
// as when it was renewed. One that cannot be read then leaves the one before.
func certificate(cert, key string) (func(*tls.ClientHelloInfo) (*tls.Certificate, error), error) {
	var mu sync.Mutex
	var known *tls.Certificate
	var read time.Time
	load := func() error {
		last, err := lastChange(cert, key)
		if err == nil && last.Equal(read) {
			return nil
		}
		if err == nil {
			var pair tls.Certificate
			if pair, err = tls.LoadX509KeyPair(cert, key); err == nil {
				known, read = &pair, last
			}
		}
		if err != nil {
			return fmt.Errorf("the certificate cannot be read: %w. Name its files with --cert and --key", err)
		}
		return nil
	}
	if err := load(); err != nil {
		return nil, err
	}
	return func(*tls.ClientHelloInfo) (*tls.Certificate, error) {
		mu.Lock()
		defer mu.Unlock()
		_ = load()
		return known, nil
	}, nil
}

// lastChange is when one of two files last changed.
func lastChange(a, b string) (time.Time, error) {
	first, err := os.Stat(a)
	if err != nil {
		return time.Time{}, err
	}
	second, err := os.Stat(b)
	if err != nil {
		return time.Time{}, err
	}
	if first.ModTime().After(second.ModTime()) {
		return first.ModTime(), nil
	}
	return second.ModTime(), nil
}
