<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use CurlHandle;
use Illuminate\Console\Command;
use RuntimeException;

/** A signed-in clerk as far as a server can tell: a cookie jar and a token. */
final class Browser
{
    /** Microseconds before something is sent again. */
    private const PAUSE = 300_000;

    private CurlHandle $curl;

    private string $token = '';

    private string $page = '';

    /** For how many seconds it sends again what got no answer, as the page does: the same act, with its own key. */
    public int $patience = 0;

    /** How often it did. */
    public int $sentAgain = 0;

    /** The one a measuring command speaks to. */
    public static function of(Command $command): self
    {
        $address = $command->option('address');

        return new self(
            is_string($address)
                ? $address
                : throw new RuntimeException('Say where the application is served: --address=…'),
        );
    }

    public function __construct(private readonly string $address)
    {
        $this->curl = curl_init() ?: throw new RuntimeException('curl does not start.');
        curl_setopt_array($this->curl, [
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEFILE => '',
            CURLOPT_FOLLOWLOCATION => true,
            CURLOPT_TIMEOUT => 60,
        ]);
    }

    public function signIn(string $number, int $till): void
    {
        preg_match('/name="csrf-token" content="([^"]+)"/', $this->get('/sign-in'), $found);
        $this->token = $found[1] ?? throw new RuntimeException('No token on the sign-in page.');
        $page = $this->post('/sign-in', ['till' => (string) $till, 'number' => $number, 'pin' => "4{$number}"]);
        preg_match('/name="csrf-token" content="([^"]+)"/', $page, $found);
        $this->token = $found[1] ?? throw new RuntimeException('Signing in did not work.');
    }

    public function get(string $path): string
    {
        $this->page = $path;

        return $this->send($path, [CURLOPT_HTTPGET => true, CURLOPT_HTTPHEADER => []]);
    }

    /** A part of a page, as the page asks for it. */
    public function fetch(string $path): string
    {
        return $this->send($path, [CURLOPT_HTTPGET => true, CURLOPT_HTTPHEADER => ['X-Requested-With: fetch']]);
    }

    /** @param  array<string, string>  $fields */
    public function post(string $path, array $fields): string
    {
        return $this->send($path, [
            CURLOPT_POST => true,
            CURLOPT_HTTPHEADER => [],
            CURLOPT_REFERER => "{$this->address}{$this->page}",
            CURLOPT_POSTFIELDS => http_build_query([...$fields, '_token' => $this->token]),
        ]);
    }

    /** @param  array<int, mixed>  $options */
    private function send(string $path, array $options): string
    {
        curl_setopt_array($this->curl, $options);
        curl_setopt($this->curl, CURLOPT_URL, "{$this->address}{$path}" ?: '/');
        $until = microtime(true) + $this->patience;

        while (true) {
            $body = curl_exec($this->curl);
            $status = curl_getinfo($this->curl, CURLINFO_RESPONSE_CODE);

            // An answer that was cut off in its middle is none either.
            $isAnswer = is_string($body) && ! in_array($status, [0, 502, 503, 504], true);

            if ($isAnswer || microtime(true) > $until) {
                break;
            }

            $this->sentAgain++;
            usleep(self::PAUSE);
        }

        return is_string($body) && $status === 200
            ? $body
            : throw new RuntimeException("{$path} answered {$status}: ".self::complaint((string) $body));
    }

    /** What a page says is wrong; else how it begins. */
    public static function complaint(string $page): string
    {
        preg_match_all('~role="alert"[^>]*>(.*?)</(?:p|div)>~s', $page, $alerts);
        $words = $alerts[1] === [] ? $page : implode(' | ', $alerts[1]);

        return mb_substr(trim((string) preg_replace('/\s+/', ' ', strip_tags($words))), 0, 400);
    }
}
