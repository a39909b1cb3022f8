<?php

declare(strict_types=1);

namespace Elmstone\Books\Proof;

use Elmstone\Support\SideBySide;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Proves the books and keeps what was found, so that a month can be closed on it. */
final class RunProof
{
    private const KEPT = 20;

    /** @param  iterable<Check>  $checks of all rooms */
    public function __construct(private readonly Prove $prove, private readonly iterable $checks)
    {
    }

    /** @param  SideBySide  $by in one process, where it is a page that asks */
    public function handle(bool $afresh = false, SideBySide $by = new SideBySide(1)): Proof
    {
        $began = now()->format('Y-m-d H:i:s.v');
        $last = (int) DB::table('documents')->max('id');
        $proof = $this->prove->handle($afresh, $by);
        DB::table('proof_runs')->insert([
            'ran_at' => $began,
            'last_document' => $last,
            'faults' => count($proof->faults),
            'found' => json_encode(array_slice($proof->faults, 0, self::KEPT), JSON_THROW_ON_ERROR),
            'topics' => json_encode($proof->topics, JSON_THROW_ON_ERROR),
        ]);

        return $proof;
    }

    /** @return stdClass|null when it ran last, up to which document, and how many faults it found */
    public function last(): ?stdClass
    {
        return DB::table('proof_runs')->orderByDesc('id')->first(['ran_at', 'last_document', 'faults']);
    }

    /** @return list<Topic> */
    public function topics(): array
    {
        $topics = [];

        foreach ($this->checks as $check) {
            $check instanceof Topic && $topics[] = $check;
        }

        return $topics;
    }
}
