<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Illuminate\Support\Facades\DB;

/**
 * What an owner of goods could reckon from the papers alone: their share of each line, cents in whole numbers, what
 * came back taken off it, and what they were paid or credited. And what a member could: points are whole units of net.
 */
final class PlainOwners
{
    private const THRESHOLD = 100;

    /** Cents owed to owners. */
    private int $owed = 0;

    /** @var array<string, array{string, int, string, int}> pieces and share of a line; pieces and share back of it */
    private array $lines = [];

    /** @var array<int, int> points each member can have at most */
    private array $points = [];

    /** @return list<string> what cannot be */
    public function document(object $document): array
    {
        $this->lines((int) $document->id);

        if ($document->kind === 'invoice' && $document->customer_id !== null) {
            $net = (int) DB::table('document_lines')->where('document_id', $document->id)->sum('net');
            $this->points[$document->customer_id] = ($this->points[$document->customer_id] ?? 0) + intdiv($net, 100);
        }

        return match ($document->purpose) {
            'owner_paid', 'owner_credited' => $this->settlement($document),
            'reward' => $this->reward($document),
            default => [],
        };
    }

    /** What left without anything coming in for it: settlements, and rewards. */
    public static function given(): int
    {
        return (int) DB::table('owner_settlements')->sum('amount')
            + (int) DB::table('journal_lines')->where('account', 'rewards_given')->sum(DB::raw('debit - credit'));
    }

    private function lines(int $document): void
    {
        $rows = DB::table('document_consigned as c')
            ->join('document_lines as l', static fn ($join) => $join
                ->on('l.document_id', '=', 'c.document_id')
                ->on('l.position', '=', 'c.position'))
            ->where('c.document_id', $document)
            ->orderBy('c.position')
            ->get(['l.*', 'c.percent']);

        foreach ($rows as $row) {
            $is = "{$row->document_id}:{$row->position}";
            $was = "{$row->origin_document_id}:{$row->origin_position}";
            $this->owed += $row->direction === 'out' ? $this->leaves($is, $row) : -$this->comesBack($was, $row);
        }
    }

    private function leaves(string $line, object $row): int
    {
        // Per ten thousand of a percent, half up.
        $parts = (int) bcmul((string) $row->percent, '10000', 0);
        $share = intdiv((int) $row->net * $parts + 500_000, 1_000_000);
        $this->lines[$line] = [(string) $row->quantity, $share, '0', 0];

        return $share;
    }

    private function comesBack(string $line, object $row): int
    {
        [$pieces, $share, $back, $taken] = $this->lines[$line];
        $back = bcadd($back, (string) $row->quantity, 4);
        $all = (int) bcadd(bcdiv(bcmul((string) $share, $back, 4), $pieces, 8), '0.5', 0);
        $this->lines[$line] = [$pieces, $share, $back, $all];

        return $all - $taken;
    }

    /** @return list<string> */
    private function settlement(object $document): array
    {
        $settled = DB::table('owner_settlements')->where('document_id', $document->id)->sole();
        $owed = $this->owed;
        $this->owed -= (int) $settled->shares;

        return (int) $settled->shares === $owed && (int) $settled->amount === $owed - (int) $settled->fees
            ? []
            : ["{$document->label}: {$settled->shares} was settled with an owner, who had {$owed}"];
    }

    /** @return list<string> */
    private function reward(object $document): array
    {
        $most = $this->points[$document->customer_id] ?? 0;
        $turned = -(int) DB::table('reward_entries')->where('customer_id', $document->customer_id)
            ->where('document_id', '<=', $document->id)->where('kind', 'turned')->sum('points');

        return $turned <= $most && $turned % self::THRESHOLD === 0
            ? []
            : ["{$document->label}: {$turned} points were turned into credit of {$most} there ever were"];
    }
}
