<?php

declare(strict_types=1);

namespace Elmstone\Work;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\AtTill;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use LogicException;
use Throwable;

/** What is done beside the pages: written down, handed to the workers, done piece by piece. */
final class WorkQueue
{
    /** @param  iterable<DoesWork>  $workers of all rooms */
    public function __construct(private readonly iterable $workers, private readonly AtTill $atTill)
    {
    }

    /**
     * Hands it to the workers, in one transaction with whatever its caller writes; where there are none, it is done
     * once that stands.
     *
     * @param  array<string, mixed>  $data
     */
    public function begin(string $what, Staff $by, array $data): Work
    {
        $work = DB::transaction(function () use ($what, $by, $data): Work {
            $work = Work::query()->create([
                'what' => $what, 'staff_id' => $by->id, 'data' => $data,
                'till_id' => $this->atTill->isChosen() ? $this->atTill->till()->id : null,
                'made_at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v'),
            ]);
            $this->hand($work);

            return $work;
        });

        return $work->refresh();
    }

    /** The next piece of it, and then the one after it by whichever worker is free. */
    public function go(int $id): void
    {
        $work = Work::query()->with(['staff', 'till'])->find($id);

        if ($work === null || $work->isEnded()) {
            return;
        }

        $work->state === 'running' || $work->forceFill([
            'state' => 'running', 'begun_at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v'),
        ])->save();

        try {
            // What it changes, whoever wanted it changes, at the till where they stood.
            Auth::setUser($work->staff);
            $work->till === null ? $this->atTill->leave() : $this->atTill->choose($work->till);
            $more = $this->worker($work->what)->piece($work, new Progress($work->id));
        } catch (Refused $refused) {
            $this->end($work, 'refused', $refused->getMessage());

            return;
        }

        $more ? $this->hand($work) : $this->end($work->refresh(), 'done', $work->words);
    }

    /** A worker gave it up. */
    public function broke(int $id, ?Throwable $why): void
    {
        $work = Work::query()->find($id);
        $work === null || $work->isEnded()
            || $this->end($work, 'broken', 'It could not be done; nothing was half done. The reason is in the log.');
    }

    /** @return array{int, int} how many wait for a worker, and for how many seconds the oldest has */
    public static function waits(): array
    {
        $row = DB::table('jobs')->whereNull('reserved_at')
            ->selectRaw('COUNT(*) AS n, COALESCE(UNIX_TIMESTAMP() - MIN(available_at), 0) AS oldest')->first();

        return [(int) ($row->n ?? 0), max(0, (int) ($row->oldest ?? 0))];
    }

    private function hand(Work $work): void
    {
        $takesLong = $this->worker($work->what)->takesLong();
        $job = new DoWork($work->id);
        dispatch($takesLong ? $job->onConnection('long')->onQueue('long') : $job);
    }

    private function end(Work $work, string $state, string $words): void
    {
        Work::query()->whereKey($work->id)->whereIn('state', ['waiting', 'running'])->update([
            'state' => $state,
            'words' => mb_substr($words, 0, 500),
            'ended_at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v'),
        ]);
    }

    private function worker(string $what): DoesWork
    {
        foreach ($this->workers as $worker) {
            if (in_array($what, $worker->does(), true)) {
                return $worker;
            }
        }

        throw new LogicException("Nobody does {$what}.");
    }
}
