@use('Elmstone\Staff\Rights')
@extends('layout')
@section('title', 'Rights')
@section('main')
<div class="page">
    <div class="page-head"><div><h1>Rights</h1><p class="soft mb-0">What each role may do. How much of it without
        somebody else’s approval stands under <a href="{{ route('limits') }}">Limits</a>. The owner may do everything,
        and only the owner sets this.</p></div></div>
    @include('design.messages')
    <form method="post" action="{{ route('rights.keep') }}">@csrf
    <table class="ruled rights"><thead><tr><th>May</th>
        @foreach($roles as $role)<th class="mid">{{ $role->label() }}</th>@endforeach</tr></thead>
    @foreach($areas as $area => $abilities)<tbody>
        <tr class="area"><th colspan="{{ count($roles) + 1 }}">{{ $area }}</th></tr>
        @foreach($abilities as $ability)<tr><td>{{ $ability->words() }}</td>
        @foreach($roles as $role)@php($may = $rights->may($role, $ability))<td @class(['mid',
            'unlike' => $may !== Rights::asShipped($role, $ability)])>
            @if(Rights::isFixed($role, $ability)){{ $may ? '✓' : '–' }}@else<input type="checkbox"
            class="form-check-input" name="may[{{ $role->value }}][]" value="{{ $ability->value }}" @checked($may)
            aria-label="{{ $role->label() }}: {{ $ability->words() }}">@endif</td>@endforeach</tr>@endforeach</tbody>
    @endforeach</table>
    <p class="soft small">Shaded: not as the program ships.</p>
    <button class="quiet-act">Keep</button></form>
</div>
@endsection
