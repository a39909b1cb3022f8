@use('Elmstone\Support\Show')
@if($points !== null)
<form method="post" action="{{ route('rewards.leave', $customer) }}" class="mb-2 small">@csrf
    <b>{{ number_format($points) }}</b> {{ $points === 1 ? 'point' : 'points' }}
    <span class="soft">· {{ $words }}</span>
    @unless($brief)<span class="soft">· since {{ Show::date($customer->rewards_on) }}</span>
    <button class="link-act small">Collects no more</button>@endunless</form>
@else
<form method="post" action="{{ route('rewards.join', $customer) }}" class="mb-2">@csrf
    <button class="link-act small">Let them collect points</button></form>
@endif
