package main

import (
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/pem"
	"math/big"
	"net"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"
)

// writeCertificate writes a certificate of 127.0.0.1 with a number, and its key.
func writeCertificate(t *testing.T, cert, key string, number int64) {
	private, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	require.NoError(t, err)
	template := &x509.Certificate{SerialNumber: big.NewInt(number), Subject: pkix.Name{CommonName: "maths.school"},
		NotBefore: time.Now().Add(-time.Hour), NotAfter: time.Now().Add(time.Hour),
		IPAddresses: []net.IP{net.IPv4(127, 0, 0, 1)}}
	der, err := x509.CreateCertificate(rand.Reader, template, template, private.Public(), private)
	require.NoError(t, err)
	raw, err := x509.MarshalECPrivateKey(private)
	require.NoError(t, err)
	require.NoError(t, os.WriteFile(cert, pem.EncodeToMemory(&pem.Block{Type: "CERTIFICATE", Bytes: der}), 0o600))
	require.NoError(t, os.WriteFile(key, pem.EncodeToMemory(&pem.Block{Type: "EC PRIVATE KEY", Bytes: raw}), 0o600))
	at := time.Now().Add(time.Duration(number) * time.Second)
	require.NoError(t, os.Chtimes(cert, at, at))
}

// The server speaks TLS with the certificate that is there, also after it was renewed; one that
// cannot be read leaves the one before.
func TestACertificateIsReadAgain(t *testing.T) {
	dir := t.TempDir()
	cert, key := filepath.Join(dir, "cert.pem"), filepath.Join(dir, "key.pem")
	_, _, err := (&serving{host: "127.0.0.1", cert: cert, key: key}).listen()
	require.ErrorContains(t, err, "--cert and --key")
	writeCertificate(t, cert, key, 1)
	l, address, err := (&serving{host: "127.0.0.1", cert: cert, key: key}).listen()
	require.NoError(t, err)
	defer l.Close()
	assert.Contains(t, address, "https://127.0.0.1:")
	go func() {
		for {
			c, err := l.Accept()
			if err != nil {
				return
			}
			_ = c.(*tls.Conn).HandshakeContext(t.Context())
			_ = c.Close()
		}
	}()
	number := func(c *tls.Config) (int64, error) {
		conn, err := (&tls.Dialer{Config: c}).DialContext(t.Context(), "tcp", l.Addr().String())
		if err != nil {
			return 0, err
		}
		defer conn.Close()
		return conn.(*tls.Conn).ConnectionState().PeerCertificates[0].SerialNumber.Int64(), nil
	}
	trusting := func() *tls.Config {
		raw, err := os.ReadFile(cert)
		require.NoError(t, err)
		pool := x509.NewCertPool()
		require.True(t, pool.AppendCertsFromPEM(raw))
		return &tls.Config{RootCAs: pool}
	}
	first := trusting()
	n, err := number(first)
	require.NoError(t, err)
	assert.EqualValues(t, 1, n)
	_, err = number(&tls.Config{RootCAs: first.RootCAs, MaxVersion: tls.VersionTLS11})
	require.Error(t, err, "nothing older than TLS 1.2")

	writeCertificate(t, cert, key, 2)
	n, err = number(trusting())
	require.NoError(t, err)
	assert.EqualValues(t, 2, n)
	second := trusting()
	require.NoError(t, os.WriteFile(cert, []byte("half a cert"), 0o600))
	n, err = number(second)
	require.NoError(t, err)
	assert.EqualValues(t, 2, n)
}
