<?php

declare(strict_types=1);

namespace Elmstone\Bench\Soak;

use Elmstone\Bench\Browser;
use Elmstone\Demo\Chance;
use Illuminate\Support\Str;
use RuntimeException;

/**
 * A till at which somebody works all day: cash, house accounts, payments, what comes back, a receipt by mail, a look at
 * pages; all through the pages. What it was told is posted, and what was told to go, it writes down.
 */
final class Till
{
    private const ITEMS = ['LH-1140', 'AD-0207', 'PI-2800'];

    private const PAGES = ['/counter', '/customers', '/orders'];

    /** @var list<string> what it sold for cash, by its label */
    private array $sold = [];

    /** @param  non-empty-list<int>  $accounts customers who may charge */
    public function __construct(
        private readonly Browser $clerk,
        private readonly Chance $chance,
        private readonly array $accounts,
        private readonly string $acknowledged,
        private readonly string $mailed,
        private readonly string $times,
    ) {
    }

    public function act(): void
    {
        $which = $this->chance->between(1, 100);
        match (true) {
            $which <= 55 => $this->sell(),
            $which <= 70 => $this->charge(),
            $which <= 80 => $this->payIn(),
            $which <= 88 && $this->sold !== [] => $this->takeBack(),
            $which <= 93 && $this->sold !== [] => $this->mail(),
            default => $this->look(),
        };
    }

    private function sell(): void
    {
        $slip = (string) Str::uuid();
        $this->scan($slip);
        $this->sold[] = $this->post('sale', $slip, $this->do($slip, 'cash', ['cash' => '900']));
        $this->sold = array_slice($this->sold, -20);
    }

    private function charge(): void
    {
        $slip = (string) Str::uuid();
        $this->do($slip, 'customer', ['customer' => (string) $this->chance->oneOf($this->accounts)]);
        $this->scan($slip);
        $this->post('on account', $slip, $this->do($slip, 'charge', ['rest' => '1']));
    }

    private function payIn(): void
    {
        $slip = (string) Str::uuid();
        $this->do($slip, 'customer', ['customer' => (string) $this->chance->oneOf($this->accounts)]);
        $this->do($slip, 'on-account', ['on_account' => (string) $this->chance->between(1, 20)]);
        $this->post('payment', $slip, $this->do($slip, 'cash', ['cash' => '900']));
    }

    private function takeBack(): void
    {
        $sale = (string) array_pop($this->sold);
        $slip = (string) Str::uuid();
        $page = $this->clerk->fetch("/counter/{$slip}/back/find?q={$sale}");
        preg_match('/back\[(\d+:1)\]/', $page, $line) === 1
            || throw new RuntimeException("{$sale} is not found again.");
        $this->do($slip, 'back', [
            "back[{$line[1]}]" => '1', 'reason' => 'faulty', 'goods_to' => 'stock', 'found_by' => $sale,
        ]);
        $this->post('return', $slip, $this->do($slip, 'refund', ['way' => 'cash', 'rest' => '1']));
    }

    /** To an address that nothing else goes to. */
    private function mail(): void
    {
        $to = Str::uuid().'@example.com';
        $sale = (string) end($this->sold);
        $this->time('page', fn (): string => $this->clerk->get("/documents/{$sale}"));
        $page = $this->time('mail', fn (): string => $this->clerk->post("/documents/{$sale}/mail", ['mail_to' => $to]));
        str_contains($page, 'class="note stop"')
            && throw new RuntimeException("{$sale} was not mailed: ".Browser::complaint($page));
        // The words stand on the page after it once: whoever was cut off from that page has not read them.
        str_contains($page, "goes to {$to}") && file_put_contents($this->mailed, "{$to}\n", FILE_APPEND);
    }

    private function look(): void
    {
        $page = $this->chance->oneOf(self::PAGES);
        $this->time('page', fn (): string => $this->clerk->get($page));
        $this->time('empty page', fn (): string => $this->clerk->fetch('/up'));
    }

    private function scan(string $slip): void
    {
        for ($line = $this->chance->between(1, 4); $line > 0; $line--) {
            $entry = $this->chance->oneOf(self::ITEMS);
            $this->time('scan', fn (): string => $this->do($slip, 'add', ['entry' => $entry]));
        }
    }

    /** @return string what it was posted as */
    private function post(string $what, string $slip, string $page): string
    {
        $version = preg_match('/data-version="(\d+)"/', $page, $found) === 1 ? $found[1] : '';
        $answer = $this->time("post {$what}", fn (): string => $this->do($slip, 'post', ['version' => $version]));
        $label = preg_match('~Posted as.*?/documents/([\w-]+)"~s', $answer, $found) === 1
            ? $found[1]
            : throw new RuntimeException("The {$what} on slip {$slip} was not posted: ".self::words($answer));
        file_put_contents($this->acknowledged, "{$slip} {$label}\n", FILE_APPEND);

        return $label;
    }

    /** @param  array<string, string>  $fields */
    private function do(string $slip, string $act, array $fields): string
    {
        return $this->clerk->post(
            "/counter/{$slip}/{$act}",
            ['act' => (string) Str::uuid(), 'version' => '', ...$fields],
        );
    }

    /** @param  callable(): string  $act */
    private function time(string $what, callable $act): string
    {
        $again = $this->clerk->sentAgain;
        $began = hrtime(true);
        $answer = $act();
        $took = (hrtime(true) - $began) / 1e6;
        file_put_contents(
            $this->times,
            sprintf("%d\t%s\t%.1f\t%d\n", time(), $what, $took, $this->clerk->sentAgain - $again),
            FILE_APPEND,
        );

        return $answer;
    }

    private static function words(string $page): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/', ' ', strip_tags($page))), 0, 600);
    }
}
