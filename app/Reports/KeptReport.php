<?php

declare(strict_types=1);

namespace Elmstone\Reports;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A report as somebody likes it, under a name of theirs; perhaps mailed to them.
 *
 * @property int $id
 * @property int $staff_id
 * @property string $report
 * @property string $name
 * @property array<string, string> $query as an address asks for it
 * @property string $every day, week, month; empty: it is not mailed
 * @property string $mail_to
 * @property CarbonImmutable|null $sent_on
 * @property-read Staff $person
 */
final class KeptReport extends Record
{
    protected $table = 'kept_reports';

    protected $casts = ['query' => 'array', 'sent_on' => 'immutable_date'];

    /** @return BelongsTo<Staff, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'staff_id');
    }

    /**
     * @param  array<string, string>  $query
     *
     * @throws Refused no_name, no_mail
     */
    public static function keep(
        Staff $person,
        Definition $definition,
        string $name,
        array $query,
        string $every,
        string $mailTo,
    ): self {
        $name !== '' || throw Refused::because('no_name', 'Type a name to keep it under.');
        $every === '' || filter_var($mailTo, FILTER_VALIDATE_EMAIL) !== false
            || throw Refused::because('no_mail', 'Type the address it is mailed to.');

        return self::query()->updateOrCreate(
            ['staff_id' => $person->id, 'name' => $name],
            [
                'report' => $definition->key(), 'query' => $query, 'every' => $every,
                'mail_to' => $every === '' ? '' : $mailTo, 'sent_on' => null,
            ],
        );
    }

    /** Whether it is mailed today, and was not yet: every day, on Mondays, on the first of a month. */
    public function isDue(CarbonImmutable $today): bool
    {
        $on = match ($this->every) {
            'day' => $today,
            'week' => $today->startOfWeek(),
            'month' => $today->startOfMonth(),
            default => null,
        };

        return $on !== null && ($this->sent_on === null || $this->sent_on->lessThan($on->startOfDay()));
    }
}
