@extends('layout')
@section('title', 'Staff')
@section('main')
<div class="page">
    <div class="page-head"><h1>People</h1></div>
    @include('design.messages')
    @foreach(['number', 'name', 'role', 'pin'] as $field)
        @error($field)<div class="note stop" role="alert"><p>{{ $message }}</p></div>@enderror
    @endforeach
    <table class="ruled">
        <thead><tr><th>Number</th><th>Name</th><th>Role</th><th>New PIN</th><th>Works here</th><td></td></tr></thead>
        <tbody>
        @foreach($people as $person)
            @php($form = "person-{$person->id}")
            <tr>
                <td><input form="{{ $form }}" class="form-control" name="number" value="{{ $person->number }}"
                    aria-label="Number of {{ $person->name }}" size="6"></td>
                <td><input form="{{ $form }}" class="form-control" name="name" value="{{ $person->name }}"
                    aria-label="Name of staff number {{ $person->number }}"></td>
                <td>
                    <select form="{{ $form }}" class="form-select" name="role" aria-label="Role of {{ $person->name }}">
                        @foreach($roles as $role)
                        <option value="{{ $role->value }}"
                            @selected($role === $person->role)>{{ $role->label() }}</option>@endforeach
                    </select>
                </td>
                <td><input form="{{ $form }}" class="form-control" name="pin" type="password" inputmode="numeric"
                    autocomplete="new-password" placeholder="as it was" aria-label="New PIN of {{ $person->name }}"
                        size="8"></td>
                <td><input form="{{ $form }}" type="checkbox" class="form-check-input mt-2" name="active" value="1"
                    @checked($person->active) aria-label="{{ $person->name }} works here">
                    @if($person->role !== Elmstone\Staff\Role::Owner)<a class="small ms-1"
                        href="{{ route('staff.places', $person) }}">at {{ $bound[$person->id] ?? 'every location'
                        }}</a>@endif</td>
                <td class="figure">
                    <form id="{{ $form }}" method="post" action="{{ route('staff.update', $person) }}" class="d-inline">
                    @csrf <button class="quiet-act">Save</button></form>
                    <form method="post" action="{{ route('staff.sign-out', $person) }}" class="d-inline">
                    @csrf <button class="link-act">sign out everywhere</button></form>
                    @if(in_array($person->number, $locked, true))
                        <form method="post" action="{{ route('staff.unlock', $person) }}" class="d-inline">
                        @csrf <button class="quiet-act ochre">Locked: unlock</button></form>
                    @endif
                </td>
            </tr>
        @endforeach
            <tr>
                <td><input form="new-person" class="form-control" name="number" value="{{ old('number') }}"
                    placeholder="number" aria-label="New number" size="6"></td>
                <td><input form="new-person" class="form-control" name="name" value="{{ old('name') }}"
                    placeholder="name" aria-label="New name"></td>
                <td>
                    <select form="new-person" class="form-select" name="role" aria-label="New role">
                        @foreach($roles as $role)<option value="{{ $role->value }}">{{ $role->label() }}</option>
                        @endforeach
                    </select>
                </td>
                <td><input form="new-person" class="form-control" name="pin" type="password" inputmode="numeric"
                    autocomplete="new-password" placeholder="PIN" aria-label="PIN for the new one" size="8"></td>
                <td><input form="new-person" type="hidden" name="active" value="1"></td>
                <td class="figure"><form id="new-person" method="post" action="{{ route('staff.store') }}">
                @csrf <button class="quiet-act">Take on</button></form></td>
            </tr>
        </tbody>
    </table>
    <h2 class="mt-4">At the tills</h2>
    <form class="filters" method="post" action="{{ route('staff.settings') }}">@csrf
        <div><label for="idle">Minutes without an act until the PIN is asked for</label><input class="form-control w-6"
            id="idle" name="idle_minutes" inputmode="numeric"
                value="{{ old('idle_minutes', $shop->idle_minutes) }}">@include('design.complaint',
                    ['field' => 'idle_minutes'])</div>
        <label class="align-self-center"><input class="form-check-input" type="checkbox" name="see_other_locations"
            value="1" @checked($shop->see_other_locations)> Clerks see slips and documents of other locations</label>
        <button class="quiet-act">Keep</button>
    </form>
</div>
@endsection
