@use('Elmstone\KeptCards\Consent')
@use('Elmstone\Support\Show')
@if($cards->isNotEmpty() || ! $customer->isMerged())
<h2>Cards on file</h2>
@if($cards->isNotEmpty())<table class="ruled small mb-2">@foreach($cards as $card)<tr>
    <td>{{ ucfirst($card->words()) }}@if($card->name !== ''), {{ $card->name }}@endif<br><span
        class="soft">{{ $card->consentWords() }}, {{ $card->keeper->name }}</span></td>
    <td class="nowrap">@if($card->hasRunOut())<span class="brick">ran out {{ $card->expires->format('m/y') }}</span>
        @else<span @class(['ochre' => $card->runsOutSoon(), 'soft' => ! $card->runsOutSoon()])>{{
            $card->runsOutSoon() ? 'runs out' : 'until' }} {{ $card->expires->format('m/y') }}</span>@endif</td>
    <td class="text-end">@can('edit-customers')<form method="post"
        action="{{ route('kept-cards.remove', [$customer, $card->id]) }}">@csrf<button
            class="link-act">Remove</button></form>@endcan</td></tr>@endforeach</table>@endif
@can('edit-customers')@unless($customer->isMerged())
<details class="fold mb-3" @if($errors->has('consent')) open @endif><summary>Keep a card</summary>
    <form method="post" action="{{ route('kept-cards.keep', $customer) }}" class="stack" autocomplete="off">@csrf
        <input type="hidden" name="key" value="{{ $key }}">
        <div role="radiogroup" aria-label="They agreed that it is kept">They agreed that it is kept
            @foreach(Consent::cases() as $one)<label class="d-block"><input type="radio" class="form-check-input"
                name="consent" value="{{ $one->value }}" @checked(old('consent') === $one->value)>
                {{ $one->words() }}</label>@endforeach
            @include('design.complaint', ['field' => 'consent'])</div>
        <div><label class="small soft" for="card_name">Called (may stay empty)</label><input class="form-control"
            id="card_name" name="card_name" maxlength="60" value="{{ old('card_name') }}"></div>
        <p class="small soft mb-0">Then the terminal reads the card. Its number never reaches this house.</p>
        <button class="quiet-act">Read the card</button></form></details>
@endunless @endcan
@endif
