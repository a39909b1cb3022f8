<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Hands that open, count and close the drawer of the till somebody is at. */
trait Drawers
{
    /**
     * @param  array<int, string>  $rows pieces by unit in cents
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function opens(array $rows = [], ?string $key = null): TestResponse
    {
        return $this->post('/till/open', [
            'key' => $key ?? (string) Str::uuid(),
            ...$rows === [] ? ['as_left' => '1'] : ['rows' => $rows],
        ]);
    }

    /**
     * @param  array<int, string>  $rows pieces by unit in cents
     * @param  list<string>  $ticked cheques
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function counts(
        array $rows,
        string $cards = '',
        string $cheques = '',
        int $seen = 0,
        array $ticked = [],
    ): TestResponse {
        return $this->post('/till/count', [
            'seen' => (string) $seen,
            'rows' => $rows,
            'cards' => $cards,
            'cheques' => $cheques,
            'ticked' => $ticked,
        ]);
    }

    /**
     * @param  array<string, string>  $more
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function closes(string $leftIn, string $note = '', array $more = []): TestResponse
    {
        return $this->post('/till/close', [
            'key' => (string) Str::uuid(),
            'count' => '1',
            'left_in' => $leftIn,
            'note' => $note,
            ...$more,
        ]);
    }

    /** Opens, counts and closes a drawer with nothing in it. */
    private function closesOn(): void
    {
        $this->as('201')->opens();
        $this->counts([])->assertSessionHasNoErrors();
        $this->closes('0')->assertSessionHasNoErrors();
        $this->as('101');
    }

    private function drawer(): TillSession
    {
        return TillSession::query()->with(['till', 'counts.ways'])->orderByDesc('id')->firstOrFail();
    }

    private function chequeSale(string $number): Document
    {
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $this->does('cheque', ['cheque' => '4.24', 'cheque_number' => $number])->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }
}
