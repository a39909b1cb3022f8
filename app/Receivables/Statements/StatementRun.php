<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Statements for many accounts, made one after the other.
 *
 * @property int $id
 * @property int $staff_id
 * @property CarbonImmutable $as_of
 * @property array<string, mixed> $options
 * @property string $state running, stopped or done
 * @property int $wanted how many there are to make
 * @property CarbonImmutable $created_at
 * @property-read Staff $staff
 */
final class StatementRun extends Record
{
    protected $table = 'statement_runs';

    public $timestamps = true;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['as_of' => 'immutable_date', 'options' => 'array', 'created_at' => 'immutable_datetime'];

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return HasMany<Statement, $this> */
    public function statements(): HasMany
    {
        return $this->hasMany(Statement::class, 'run_id')->orderBy('id');
    }
}
