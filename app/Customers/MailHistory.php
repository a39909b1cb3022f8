<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Carbon\CarbonImmutable;
use Elmstone\Support\KeepsMail;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was mailed to customers, whatever it was about. */
final class MailHistory implements KeepsMail
{
    private const SHOWN = 12;

    /** Days within which a mail comes back. */
    private const LATELY = 14;

    public function mailed(?int $customer, string $to, string $subject): void
    {
        $customer === null || DB::table('mail_history')->insert([
            'customer_id' => $customer,
            'recipient' => $to,
            'subject' => mb_substr($subject, 0, 255),
        ]);
    }

    public function bounced(string $to, string $why): bool
    {
        $last = DB::table('mail_history')
            ->where('recipient', $to)
            ->where('sent_at', '>', CarbonImmutable::now()->subDays(self::LATELY)->format('Y-m-d H:i:s'))
            ->max('id');

        return $last !== null
            && DB::table('mail_history')->where('id', $last)->update(['trouble' => mb_substr($why, 0, 255)]) >= 0;
    }

    /**
     * The last first.
     *
     * @param  list<int>  $customers they, and those who were merged into them
     * @return Collection<int, stdClass> recipient, subject, sent_at, trouble
     */
    public static function of(array $customers): Collection
    {
        return DB::table('mail_history')
            ->whereIn('customer_id', $customers)
            ->orderByDesc('id')
            ->limit(self::SHOWN)
            ->get(['recipient', 'subject', 'sent_at', 'trouble']);
    }
}
