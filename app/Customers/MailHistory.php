<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Support\KeepsMail;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What was mailed to customers, whatever it was about. */
final class MailHistory implements KeepsMail
{
    private const SHOWN = 12;

    public function mailed(?int $customer, string $to, string $subject): void
    {
        $customer === null || DB::table('mail_history')->insert([
            'customer_id' => $customer,
            'recipient' => $to,
            'subject' => mb_substr($subject, 0, 255),
        ]);
    }

    /**
     * The last first.
     *
     * @param  list<int>  $customers they, and those who were merged into them
     * @return Collection<int, stdClass> recipient, subject, sent_at
     */
    public static function of(array $customers): Collection
    {
        return DB::table('mail_history')
            ->whereIn('customer_id', $customers)
            ->orderByDesc('id')
            ->limit(self::SHOWN)
            ->get(['recipient', 'subject', 'sent_at']);
    }
}
