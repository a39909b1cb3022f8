<?php

declare(strict_types=1);

namespace Elmstone\Paper;

use Carbon\CarbonImmutable;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\MailRefused;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use LogicException;
use Throwable;

/**
 * What must happen after a posting is written down in its transaction and sent when the answer is given: the posting
 * does not wait for a printer, and what did not go is tried again until it does.
 */
final class Outbox
{
    /** Seconds until it is tried again, by how often it was tried; from then on the last. */
    private const PAUSES = [5, 15, 60, 300, 1800];

    private const AT_ONCE = 20;

    /** @var array<int, true> what this request wrote */
    private array $written = [];

    /** @param  iterable<Sends>  $senders */
    public function __construct(private readonly iterable $senders)
    {
    }

    /**
     * In the transaction of the posting. The same key is written once.
     *
     * @param  array<string, scalar>  $data
     */
    public function write(string $what, string $key, ?int $document, Till $till, Staff $by, array $data = []): void
    {
        DB::transactionLevel() > 0
            || throw new LogicException('What must happen is written down with what was posted.');
        $now = CarbonImmutable::now()->format('Y-m-d H:i:s.v');
        $row = [
            'key' => $key,
            'what' => $what,
            'document_id' => $document,
            'till_id' => $till->id,
            'staff_id' => $by->id,
            'data' => json_encode($data, JSON_THROW_ON_ERROR),
            'made_at' => $now,
            'next_try_at' => $now,
        ];

        if (DB::table('outbox')->insertOrIgnore($row) === 1) {
            $this->written[(int) DB::table('outbox')->where('key', $key)->value('id')] = true;
        }
    }

    /** @return array{int, int} how much waits, and for how many seconds the oldest has */
    public static function queue(): array
    {
        $row = DB::table('outbox')
            ->where('state', 'waiting')
            ->selectRaw('COUNT(*) AS n, COALESCE(TIMESTAMPDIFF(SECOND, MIN(made_at), UTC_TIMESTAMP()), 0) AS oldest')
            ->first();

        return [(int) ($row->n ?? 0), max(0, (int) ($row->oldest ?? 0))];
    }

    /**
     * What this request wrote, once its answer is given: mails by the workers, what is handed over here; and what waits
     * at the same tills, as their printers may be there again.
     */
    public function sendWritten(): void
    {
        if ($this->written === []) {
            return;
        }

        [$written, $this->written] = [array_keys($this->written), []];
        $mails = DB::table('outbox')->whereIn('id', $written)->whereIn('what', $this->mayWait())->pluck('id')->all();
        array_walk($mails, static fn (mixed $id) => is_numeric($id) && dispatch(new SendOutgoing((int) $id)));
        $here = array_diff($written, array_map(static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $mails));
        array_walk($here, fn (int $id) => $this->send($id));
        $tills = DB::table('outbox')
            ->whereIn('id', $written)
            ->where('state', 'sent')
            ->distinct()
            ->pluck('till_id')
            ->all();
        $tills === [] || $this->sendDue($tills);
    }

    /**
     * @param  array<mixed>|null  $tills null: all
     * @return int how many went
     */
    public function sendDue(?array $tills = null): int
    {
        $due = DB::table('outbox')
            ->where('state', 'waiting')
            ->where('next_try_at', '<=', CarbonImmutable::now()->format('Y-m-d H:i:s.v'))
            ->when($tills !== null, static fn ($query) => $query->whereIn('till_id', $tills ?? []))
            ->orderBy('id')
            ->limit(self::AT_ONCE)
            ->pluck('id');

        return $due->filter(fn (mixed $id): bool => is_numeric($id) && $this->send((int) $id))->count();
    }

    /** @return bool whether it went */
    public function send(int $id): bool
    {
        try {
            return DB::transaction(fn (): bool => $this->sent($id));
        } catch (MailRefused $refused) {
            $this->giveUp($id, $refused);

            return false;
        } catch (Throwable $failure) {
            $failure instanceof DeviceFailed || report($failure);
            $this->keepTrying($id, $failure);

            return false;
        }
    }

    /** Somebody has seen to it another way. */
    public function leave(Outgoing $outgoing): void
    {
        DB::table('outbox')
            ->where('id', $outgoing->id)
            ->whereIn('state', ['waiting', 'refused'])
            ->update(['state' => 'left', 'ended_at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v')]);
    }

    /** How many did not go at the first try and wait at this till. */
    public static function waitingAt(Till $till): int
    {
        return DB::table('outbox')
            ->where('till_id', $till->id)
            ->whereIn('state', ['waiting', 'refused'])
            ->where('tries', '>', 0)
            ->count();
    }

    private function sent(int $id): bool
    {
        $outgoing = Outgoing::query()
            ->with(['till.location', 'staff'])
            ->whereKey($id)
            ->where('state', 'waiting')
            ->lock('for update skip locked')
            ->first();

        if ($outgoing === null) {
            return false;
        }

        $this->sender($outgoing->what)->send($outgoing);
        $outgoing
            ->forceFill([
                'state' => 'sent',
                'tries' => $outgoing->tries + 1,
                'trouble' => '',
                'ended_at' => CarbonImmutable::now(),
            ])
            ->save();

        return true;
    }

    /** @return list<string> what may wait for a worker */
    private function mayWait(): array
    {
        $all = [];

        foreach ($this->senders as $sender) {
            array_push($all, ...array_filter($sender->sends(), $sender->mayWait(...)));
        }

        return $all;
    }

    private function sender(string $what): Sends
    {
        foreach ($this->senders as $sender) {
            if (in_array($what, $sender->sends(), true)) {
                return $sender;
            }
        }

        throw new LogicException("Nobody sends {$what}.");
    }

    /** It will never go: it stays in sight until somebody has seen to it. */
    private function giveUp(int $id, MailRefused $refused): void
    {
        DB::table('outbox')->where('id', $id)->where('state', 'waiting')->update([
            'state' => 'refused',
            'tries' => DB::raw('tries + 1'),
            'trouble' => mb_substr($refused->getMessage(), 0, 255),
            'ended_at' => CarbonImmutable::now()->format('Y-m-d H:i:s.v'),
        ]);
    }

    private function keepTrying(int $id, Throwable $failure): void
    {
        $tries = (int) DB::table('outbox')->where('id', $id)->value('tries');
        $pause = self::PAUSES[min($tries, count(self::PAUSES) - 1)];
        DB::table('outbox')
            ->where('id', $id)
            ->where('state', 'waiting')
            ->update([
                'tries' => $tries + 1,
                'next_try_at' => CarbonImmutable::now()->addSeconds($pause)->format('Y-m-d H:i:s.v'),
                'trouble' => $failure instanceof DeviceFailed
                        ? mb_substr($failure->getMessage(), 0, 255)
                        : 'It could not be made; the reason is in the log.',
            ]);
    }
}
