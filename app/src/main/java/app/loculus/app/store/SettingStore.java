package app.loculus.app.store;

import app.loculus.app.store.disk.Disk;
import java.util.Optional;
import java.util.function.Supplier;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.springframework.stereotype.Repository;

/** What this installation keeps of itself. */
@Repository
public class SettingStore {

    interface Rows {
        @Select("select text from setting where name = #{name}")
        String find(@Param("name") String name);

        @Insert("merge into setting (name, text) key (name) values (#{name}, #{text})")
        void put(@Param("name") String name, @Param("text") String text);
    }

    private final Rows rows;
    private final Disk disk;

    SettingStore(Mappers mappers, Disk disk) {
        this.rows = mappers.of(Rows.class);
        this.disk = disk;
    }

    /** The setting; made and kept when there is none yet. */
    public String once(String name, Supplier<String> first) {
        String held = rows.find(name);
        if (held != null) {
            return held;
        }
        String made = first.get();
        disk.write(() -> rows.put(name, made));
        return made;
    }

    /** The setting, if there is one. */
    public Optional<String> find(String name) {
        return Optional.ofNullable(rows.find(name));
    }

    public void put(String name, String text) {
        disk.write(() -> rows.put(name, text));
    }
}
