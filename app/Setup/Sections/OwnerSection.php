<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\Section;
use Elmstone\Staff\Doors\EasyPin;
use Elmstone\Staff\Role;
use Elmstone\Staff\SaveStaff;
use Elmstone\Staff\Staff;
use Override;

/** The first person who can sign in. Everybody else is taken on by them. */
final class OwnerSection extends Section
{
    public function __construct(private readonly SaveStaff $save)
    {
    }

    #[Override]
    public function key(): string
    {
        return 'owner';
    }

    #[Override]
    public function title(): string
    {
        return 'Owner';
    }

    #[Override]
    public function purpose(): string
    {
        return 'Who may do everything. Others are taken on once the shop is open, under House, People.';
    }

    /** @return list<Field> */
    public function fields(): array
    {
        return [
            Field::text('name', 'Name', 100)->needed('Who is it?'),
            Field::text('number', 'Staff number')->hint('to sign in with')
                ->like('/^\d{2,8}$/D', 'A staff number has 2 to 8 digits.')->needed('A number of 2 to 8 digits.'),
            Field::secret('pin', 'PIN')->hint('6 to 8 digits'),
        ];
    }

    #[Override]
    public function now(): array
    {
        $owner = self::owner();

        return ['name' => $owner->name ?? '', 'number' => $owner->number ?? '', 'pin' => ''];
    }

    #[Override]
    public function words(): array
    {
        $owner = self::owner();

        return $owner === null ? [] : ['Owner' => "{$owner->number} {$owner->name}"];
    }

    #[Override]
    public function keep(array $given): void
    {
        $complaints = new Complaints;
        $owner = self::owner();
        $typed = [];

        foreach ($this->fields() as $field) {
            $read = $complaints->read(
                $field->name,
                fn (): mixed => $field->read($given[$field->name] ?? '', $this->currency()),
            );
            $typed[$field->name] = is_string($read) ? $read : '';
        }

        $pin = $typed['pin'];

        match (true) {
            $pin === '' && $owner === null => $complaints->say('pin', 'Choose a PIN.'),
            $pin !== '' && preg_match('/^\d{6,8}$/D', $pin) !== 1 => $complaints->say(
                'pin',
                'A PIN has 6 to 8 digits.',
            ),
            $pin !== '' && EasyPin::is($pin, $typed['number']) => $complaints->say(
                'pin',
                'That PIN is one of the first anybody would try. Take one without a pattern.',
            ),
            default => null,
        };
        $complaints->end();
        $this->save->handle(
            $owner,
            [
                'number' => $typed['number'], 'name' => $typed['name'], 'role' => Role::Owner->value, 'active' => true,
            ],
            $pin === '' ? null : $pin,
        );
    }

    #[Override]
    public function isReady(): bool
    {
        return Staff::query()->where('role', Role::Owner)->where('active', true)->exists();
    }

    #[Override]
    public function view(): string
    {
        return 'setup.fields';
    }

    private static function owner(): ?Staff
    {
        return Staff::query()->where('role', Role::Owner)->orderBy('id')->first();
    }
}
