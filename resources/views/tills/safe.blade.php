@use('Elmstone\Support\Show')
@use('Elmstone\Support\ShopTime')
@use('Elmstone\Tills\Safe\Lodgement')
@extends('layout')
@section('title', 'Safe and bank')
@section('main')
@php($waits = fn ($day): string => match ($days = (int) $day->diffInDays(ShopTime::today())) {
    0 => 'today', 1 => 'for a day', default => "for {$days} days" })
<div class="page">
    <div class="page-head"><h1>Safe and bank</h1>
    <span class="soft">{{ $location->name }} · {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <div class="split">
    <div>
        <h2>In the safe</h2>
        <table class="ruled drawer-now"><tbody>
            <tr><td>Cash, by the books</td><td class="figure fw-bold">{{ $cash }}</td></tr>
            <tr><td>{{ $cheques->count() === 1 ? 'One cheque' : "{$cheques->count()} cheques" }}</td>
                <td class="figure fw-bold">{{ Show::money($cheques->reduce(
                    fn ($sum, $one) => $sum->plus($one->amount), $house->money(0))) }}</td></tr>
        </tbody></table>
        <p class="mt-2"><a href="{{ route('safe.count') }}">Count the safe</a></p>
        <h2 class="mt-4">Pay in to the bank</h2>
        <form method="post" action="{{ route('safe.pay-in') }}" autocomplete="off">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            @if($cheques->isNotEmpty())
            <table class="ruled small mb-3"><thead><tr><td></td><th>Cheque</th><th>From</th>
                <th class="figure">Amount</th></tr></thead>@foreach($cheques as $one)<tr>
                <td><input class="form-check-input" type="checkbox" name="paid_cheques[]" value="{{ $one->id }}"
                    id="cheque{{ $one->id }}" @checked(old('key') === null
                        || in_array((string) $one->id, old('paid_cheques', []), true))></td>
                <td><label class="code" for="cheque{{ $one->id }}">{{ $one->number ?: 'no number' }}</label></td>
                <td>{{ $one->payer ?: 'walk-in' }}</td>
                <td class="figure">{{ $one->amount }}</td></tr>@endforeach</table>
            @include('design.complaint', ['field' => 'paid_cheques'])@endif
            @include('tills.cash', ['focus' => false])
            @include('design.complaint', ['field' => 'rows'])
            <div class="d-flex gap-2 align-items-end mt-2"><div><label for="pay_in_reference"
                class="small soft">Reference, as on the bag</label><input class="form-control" id="pay_in_reference"
                    name="pay_in_reference" maxlength="60" value="{{ old('pay_in_reference') }}"></div>
            <button class="quiet-act">Pay it in</button></div>
        </form>
        <h2 class="mt-4">Fetch cash from the bank</h2>
        <form method="post" action="{{ route('safe.fetch') }}" class="d-flex gap-2 align-items-start"
            autocomplete="off">@csrf<input type="hidden" name="key" value="{{ $key }}">
            <div><label for="amount" class="small soft d-block">How much</label><input
                class="form-control w-6 text-end @error('amount') is-refused @enderror" id="amount" name="amount"
                    inputmode="decimal" value="{{ old('amount') }}">
                @include('design.complaint', ['field' => 'amount'])</div>
            <div><label for="fetch_note" class="small soft d-block">In what</label><input class="form-control"
                id="fetch_note" name="fetch_note" maxlength="200" placeholder="coins"
                    value="{{ old('fetch_note') }}"></div>
            <button class="quiet-act align-self-end">Post it</button></form>
    </div>
    <aside>
        <h2>On its way to the bank</h2>
        @if($onTheWay->isEmpty())<p class="soft small">Nothing.</p>@else
        <table class="ruled small"><tbody>@foreach($onTheWay as $one)<tr>
            <td><a class="code" href="{{ route('safe.lodgement', $one->id) }}">{{ $one->document->label }}</a>
                <div class="soft">{{ $one->words() }}, {{ $one->location->town }}</div></td>
            <td class="{{ $one->made_on->diffInDays(ShopTime::today()) > 5 ? 'ochre' : 'soft' }}">{{
                $waits($one->made_on) }}</td>
            <td class="figure">{{ $one->onTheWay() }}</td></tr>@endforeach</tbody></table>@endif
        <h2 class="mt-4">Cards the acquirer has not paid out</h2>
        @if(count($batches) === 0)<p class="soft small">None.</p>@else
        <form method="post" action="{{ route('safe.cards') }}" autocomplete="off">@csrf
            <input type="hidden" name="key" value="{{ $key }}">
            <table class="ruled small"><tbody>@foreach($batches as $one)<tr>
                <td><input class="form-check-input" type="checkbox" name="batches[]" value="{{ $one->session }}"
                    id="batch{{ $one->session }}"
                        @checked(in_array((string) $one->session, old('batches', []), true))></td>
                <td><label for="batch{{ $one->session }}"><span class="code">{{ $one->label }}</span>
                    <span class="soft">{{ Show::date($one->closedOn) }}</span></label></td>
                <td class="{{ $one->closedOn->diffInDays(ShopTime::today()) > 5 ? 'ochre' : 'soft' }}">{{
                    $waits($one->closedOn) }}</td>
                <td class="figure">{{ $one->amount }}</td></tr>@endforeach</tbody></table>
            @include('design.complaint', ['field' => 'batches'])
            <div class="d-flex flex-wrap gap-2 align-items-start mt-2">
                <div><label for="fee" class="small soft d-block">Fee kept</label><input
                    class="form-control w-6 text-end @error('fee') is-refused @enderror" id="fee" name="fee"
                        inputmode="decimal" value="{{ old('fee') }}" placeholder="none">
                    @include('design.complaint', ['field' => 'fee'])</div>
                <div><label for="payout_reference" class="small soft d-block">Their reference</label><input
                    class="form-control w-10" id="payout_reference" name="payout_reference" maxlength="60"
                        value="{{ old('payout_reference') }}"></div>
                <div><label for="paid_on" class="small soft d-block">Paid out on</label><input type="date"
                    class="form-control @error('day') is-refused @enderror" id="paid_on" name="paid_on"
                        value="{{ old('paid_on', ShopTime::today()->format('Y-m-d')) }}">
                    @include('design.complaint', ['field' => 'day'])</div>
                <button class="quiet-act align-self-end">Paid out</button></div>
        </form>@endif
        <form method="post" action="{{ route('safe.payouts') }}" enctype="multipart/form-data" class="mt-3">@csrf
            <label for="file" class="small soft">or the acquirer’s file (CSV: reference, paid_on, batch, taken,
                fee)</label>
            <div class="d-flex gap-2"><input class="form-control" type="file" id="file" name="file"
                accept=".csv,text/csv"><button class="quiet-act">Read</button></div>
            @include('design.complaint', ['field' => 'file'])
            @if(config('house.stand_ins') === true)<p class="small soft mb-0">Simulated acquirer: <a
                href="{{ route('safe.stand-in') }}">its file for what waits</a></p>@endif</form>
        <h2 class="mt-4">Made last</h2>
        <table class="ruled small"><tbody>@foreach($made as $one)<tr>
            <td><a class="code" href="{{ route('safe.lodgement', $one->id) }}">{{ $one->document->label }}</a></td>
            <td>{{ $one->words() }}, {{ Show::date($one->made_on) }}</td>
            <td class="soft">{{ $one->onTheWay()->isZero() ? 'credited' : '' }}</td>
            <td class="figure">{{ $one->amount }}</td></tr>@endforeach</tbody></table>
    </aside>
    </div>
</div>
@endsection
