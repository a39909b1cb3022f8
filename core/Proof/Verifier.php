<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

use HashContext;

/**
 * Checks an export for the auditor by itself, without the shop's database: that every document says what was sealed,
 * that none is missing, put in or moved, that journals balance and come to the sums stated, that the ends of the series
 * are those that were signed when days were closed, and that the file is as it was signed. docs/chain.md gives the
 * shape of the file.
 */
final class Verifier
{
    /** How a document's line begins, and what stands between its digest and its text. */
    private const DOCUMENT = '{"digest":"';

    private const BETWEEN = '","document":';

    private const DIGEST = 64;

    private readonly Verified $found;

    private readonly HashContext $all;

    private string $public = '';

    /** @var array<string, SeriesCheck> by kind */
    private array $series = [];

    /** @var array<string, int> by account: where it stood before, as the file says */
    private array $accounts = [];

    /** @var array<string, int> by account: debits as far as read */
    private array $debits = [];

    /** @var array<string, int> by account: credits as far as read */
    private array $credits = [];

    private bool $hasEnd = false;

    private function __construct(private readonly ?string $key)
    {
        $this->found = new Verified;
        $this->all = hash_init('sha256');
    }

    /**
     * @param  iterable<string>  $lines of the file, in their order
     * @param  string|null  $key the fingerprint of the shop's key, from one of its papers; null: not compared
     */
    public static function check(iterable $lines, ?string $key = null): Verified
    {
        return (new self($key))->all($lines);
    }

    /** @param  iterable<string>  $lines */
    private function all(iterable $lines): Verified
    {
        $place = 0;

        foreach ($lines as $line) {
            $place++;
            $line = rtrim($line, "\r\n");

            match (true) {
                $this->hasEnd => $this->found->fault("Line {$place}: something stands after the end of the file."),
                str_starts_with($line, self::DOCUMENT) => $this->document($line, $place),
                default => $this->other($line, $place),
            };
        }

        match (true) {
            $place === 0 => $this->found->fault('The file is empty.'),
            ! $this->hasEnd => $this->found->fault('The end of the file is missing: it was cut.'),
            default => null,
        };

        foreach ($this->series as $series) {
            $series->end($this->found);
        }

        return $this->found;
    }

    private function document(string $line, int $place): void
    {
        $at = strlen(self::DOCUMENT);
        $digest = substr($line, $at, self::DIGEST);
        hash_update($this->all, "{$digest}\n");
        $says = substr($line, $at + self::DIGEST + strlen(self::BETWEEN), -1);
        $isOne = substr($line, $at + self::DIGEST, strlen(self::BETWEEN)) === self::BETWEEN && $line[-1] === '}';
        $read = $isOne ? SealedDocument::read($says) : null;

        if ($read === null) {
            $this->found->fault("Line {$place}: this document cannot be read.");

            return;
        }

        $this->found->documents++;

        if (self::digest($says) !== $digest) {
            $this->found->fault("{$read->label}: it does not say what it said when it was posted.");
        }

        isset($this->series[$read->kind])
            ? $this->series[$read->kind]->next($read->number, $read->label, $read->before, $digest, $this->found)
            : $this->found->fault("{$read->label}: the file says nothing of its series, so it was put in.");
        $this->journal($read, $read->label);
    }

    /** SHA-256 (FIPS 180-4), by whichever of PHP's extensions has it faster. */
    private static function digest(string $says): string
    {
        return function_exists('openssl_digest')
            ? (string) openssl_digest($says, 'sha256')
            : hash('sha256', $says);
    }

    private function journal(SealedDocument $read, string $label): void
    {
        $counts = $read->day >= $this->found->from && $read->day <= $this->found->until;
        $sum = 0;

        foreach ($read->journal as $row) {
            [$account, $debit, $credit] = [$row->text('account'), $row->int('debit'), $row->int('credit')];
            $sum += $debit - $credit;

            if ($counts) {
                $this->debits[$account] = ($this->debits[$account] ?? 0) + $debit;
                $this->credits[$account] = ($this->credits[$account] ?? 0) + $credit;
            }

            if (! isset($this->accounts[$account])) {
                $this->found->fault("{$label}: account {$account} is not in the chart of the file.");
            }
        }

        if ($sum !== 0) {
            $this->found->fault("{$label}: its journal does not balance.");
        }
    }

    private function other(string $line, int $place): void
    {
        $read = Fields::read($line);
        $is = $read?->text('is') ?? '';

        if ($is !== 'end') {
            hash_update($this->all, "{$line}\n");
        }

        match (true) {
            $read === null => $this->found->fault("Line {$place}: it cannot be read."),
            $is === 'export' => $this->export($read),
            $is === 'day' => $this->day($read, $place),
            $is === 'account' => $this->accounts[$read->text('code')] = $read->int('opening'),
            $is === 'customer' => null,
            $is === 'end' => $this->end($read),
            default => $this->found->fault("Line {$place}: it cannot be read."),
        };
    }

    private function export(Fields $read): void
    {
        $this->found->shop = $read->text('shop');
        $this->found->from = $read->text('from');
        $this->found->until = $read->text('until');
        $this->public = $read->bytes('key');
        $this->found->fingerprint = SigningKey::fingerprintOf($this->public);

        foreach ($read->each('series') as $series) {
            $this->series[$series->text('kind')] = SeriesCheck::of($series);
        }

        if ($this->key !== null && self::plain($this->key) !== self::plain($this->found->fingerprint)) {
            $this->found->fault(
                "The file is signed with the key {$this->found->fingerprint}, not with {$this->key}.",
            );
        }
    }

    private static function plain(string $fingerprint): string
    {
        return strtoupper((string) preg_replace('/[^0-9A-Fa-f]/', '', $fingerprint));
    }

    /** The ends of the series as they were signed when days were closed. */
    private function day(Fields $read, int $place): void
    {
        $this->found->days++;
        $key = $read->bytes('key');
        $day = Fields::read($read->text('says'));

        if ($key !== $this->public) {
            $this->found->otherKeys[$key] = SigningKey::fingerprintOf($key);
        }

        if ($day === null || ! SigningKey::verifies($read->text('says'), $read->bytes('signature'), $key)) {
            $this->found->fault("Line {$place}: the signature of a closed day does not fit what it says.");

            return;
        }

        foreach ($day->each('heads') as $kind => $head) {
            if (isset($this->series[(string) $kind])) {
                $this->series[(string) $kind]->signed($head->int('number'), $head->text('digest'));
            }
        }
    }

    private function end(Fields $read): void
    {
        $this->hasEnd = true;

        if (! SigningKey::verifies(hash_final($this->all), $read->bytes('signature'), $this->public)) {
            $this->found->fault('The signature of the file does not fit it: something in it was changed.');
        }

        if ($read->int('documents') !== $this->found->documents) {
            $this->found->fault(
                "The file says it has {$read->int('documents')} documents, and has {$this->found->documents}.",
            );
        }

        if (array_sum($this->accounts) !== 0) {
            $this->found->fault('The balances before the period do not come to nothing.');
        }

        $this->sums($read);
    }

    private function sums(Fields $read): void
    {
        $stated = [];

        foreach ($read->each('accounts') as $account) {
            $stated[$account->text('code')] = [$account->int('debit'), $account->int('credit')];
        }

        foreach (array_keys($this->debits + $stated) as $code) {
            $read = [$this->debits[$code] ?? 0, $this->credits[$code] ?? 0];
            [$debit, $credit] = $stated[$code] ?? [0, 0];

            if ($read !== [$debit, $credit]) {
                $this->found->fault(
                    "Account {$code}: its documents come to {$read[0]} debit and {$read[1]} credit, the file says "
                        ."{$debit} and {$credit} (minor units).",
                );
            }
        }
    }
}
